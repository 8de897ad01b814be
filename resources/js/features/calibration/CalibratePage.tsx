import { useNavigate, useParams, useSearchParams } from 'react-router'
import { PageProblem } from '../../ui/PageProblem'
import type { Calibration, Probe } from '../../lib/api/types'
import { Waiting } from '../../ui/Waiting'
import { ProbeShelf } from '../probes/ProbeShelf'
import { useBench } from '../probes/useBench'
import { useLiveBench } from '../probes/useLiveBench'
import { useProbe } from '../probes/useProbe'
import { SimulatedBench } from '../simulation/SimulatedBench'
import { CalibrateView } from './CalibrateView'
import { useCalibration } from './useCalibration'

/** A calibration taken outside any experiment: from the list of benches, or from a probe's page. */
export function CalibratePage() {
  const probeId = Number(useParams().probeId)
  const [parameters] = useSearchParams()
  const probe = useProbe(probeId)
  const calibration = useCalibration(Number(parameters.get('calibration')))
  const problem = probe.error ?? calibration.error
  if (problem !== null) {
    return <PageProblem problem={problem} back={{ to: '/benches', words: 'Back to the benches' }} />
  }
  if (probe.data === undefined || calibration.data === undefined) return <Waiting what="the calibration" />
  return <AtItsBench probe={probe.data} calibration={calibration.data} />
}

function AtItsBench({ probe, calibration }: { probe: Probe; calibration: Calibration }) {
  const bench = useBench(probe.bench.id)
  const live = useLiveBench(probe.bench.id)
  const [, setParameters] = useSearchParams()
  const navigate = useNavigate()
  if (bench.data === undefined) return <Waiting what="the bench" />
  return (
    <>
      <title>{`Calibrate ${probe.title} · Welkion`}</title>
      <ProbeShelf
        bench={bench.data}
        live={live}
        shows={calibration.state === 'open' ? 'raw' : 'value'}
        selectedProbeIds={[calibration, ...calibration.beside].map(({ probeId }) => probeId)}
      />
      <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-3 lg:grid lg:grid-cols-[330px_1fr_290px]">
        <h1 className="sr-only">Bench {bench.data.name}</h1>
        <CalibrateView
          key={calibration.id}
          calibration={calibration}
          probe={probe}
          live={live}
          next={{ to: '/benches', words: 'Go to the benches' }}
          onLeave={() => {
            void navigate(`/probes/${probe.id}`)
          }}
          onAgain={(id) => {
            setParameters({ calibration: String(id) })
          }}
        />
      </main>
      <SimulatedBench bench={bench.data} world={live?.world ?? null} />
    </>
  )
}
