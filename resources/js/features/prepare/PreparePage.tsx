import { useSearchParams } from 'react-router'
import type { Notebook } from '../../lib/api/types'
import { PageProblem } from '../../ui/PageProblem'
import { Waiting } from '../../ui/Waiting'
import { CalibrateView } from '../calibration/CalibrateView'
import { useCalibration } from '../calibration/useCalibration'
import { useNotebook } from '../notebook'
import { ProbeShelf } from '../probes/ProbeShelf'
import { useBench } from '../probes/useBench'
import { useLiveBench } from '../probes/useLiveBench'
import { SimulatedBench } from '../simulation/SimulatedBench'
import { BenchChoice } from './BenchChoice'
import { PrepareOverview } from './PrepareOverview'

/** Prepare: the probes, and the calibration of one. An open calibration is in the address, so a reload keeps it. */
export function PreparePage() {
  const notebook = useNotebook()
  return notebook.bench === null ? (
    <BenchChoice notebook={notebook} />
  ) : (
    <PrepareAtBench notebook={notebook} benchId={notebook.bench.id} />
  )
}

function PrepareAtBench({ notebook, benchId }: { notebook: Notebook; benchId: number }) {
  const bench = useBench(benchId)
  const live = useLiveBench(benchId)
  const [parameters, setParameters] = useSearchParams()
  const calibrationId = parameters.has('calibration') ? Number(parameters.get('calibration')) : null
  const calibration = useCalibration(calibrationId)

  function handleOpened(id: number | null) {
    setParameters(id === null ? {} : { calibration: String(id) })
  }

  if (bench.data === undefined)
    return bench.isError ? <PageProblem problem={bench.error} /> : <Waiting what="the bench" />
  if (calibrationId !== null && calibration.isError) return <PageProblem problem={calibration.error} />
  if (calibrationId !== null && calibration.isPending) return <Waiting what="the calibration" />
  const probe = bench.data.probes.find(({ id }) => id === calibration.data?.probeId)
  const isCalibrating = calibrationId !== null && calibration.data !== undefined && probe !== undefined
  return (
    <>
      <ProbeShelf
        bench={bench.data}
        live={live}
        shows={isCalibrating && calibration.data.state === 'open' ? 'raw' : 'value'}
        selectedProbeIds={
          isCalibrating ? [calibration.data, ...calibration.data.beside].map(({ probeId }) => probeId) : []
        }
      />
      <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-3 lg:grid lg:grid-cols-[330px_1fr_290px]">
        {isCalibrating ? (
          <CalibrateView
            key={calibration.data.id}
            calibration={calibration.data}
            probe={probe}
            live={live}
            next={{ to: `/experiments/${notebook.id}/record`, words: 'Go to Record' }}
            onLeave={() => {
              handleOpened(null)
            }}
            onAgain={handleOpened}
          />
        ) : (
          <PrepareOverview notebook={notebook} bench={bench.data} onOpened={handleOpened} />
        )}
      </main>
      <SimulatedBench bench={bench.data} world={live?.world ?? null} />
    </>
  )
}
