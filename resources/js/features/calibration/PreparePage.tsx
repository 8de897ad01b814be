import { useSearchParams } from 'react-router'
import { Waiting } from '../../ui/Waiting'
import { useBench } from '../probes/useBench'
import { ProbeShelf } from '../probes/ProbeShelf'
import { liveProbe, useLiveBench } from '../probes/useLiveBench'
import { useShell } from '../shell/useShell'
import { SimulatedBench } from '../simulation/SimulatedBench'
import { CalibrateView } from './CalibrateView'
import { ElectrodeOverview } from './ElectrodeOverview'
import { useCalibration } from './useCalibration'

/** Prepare: the probes, and the pH electrode's calibration. An open calibration is in the address, so a reload keeps it. */
export function PreparePage() {
  const { experiment } = useShell()
  const bench = useBench(experiment.bench.id)
  const live = useLiveBench(experiment.bench.id)
  const [parameters, setParameters] = useSearchParams()
  const calibrationId = parameters.has('calibration') ? Number(parameters.get('calibration')) : null
  const calibration = useCalibration(calibrationId)
  const electrode = bench.data?.probes.find((probe) => probe.kind === 'ph-electrode')

  function handleOpened(id: number | null) {
    setParameters(id === null ? {} : { calibration: String(id) })
  }

  if (bench.data === undefined || electrode === undefined) return <Waiting what="the bench" />
  const isCalibrating = calibrationId !== null && calibration.data !== undefined
  return (
    <>
      <ProbeShelf
        bench={bench.data}
        live={live}
        shows={isCalibrating ? 'raw' : 'value'}
        selectedProbeId={isCalibrating ? electrode.id : null}
      />
      <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-3 lg:grid lg:grid-cols-[330px_1fr_290px]">
        {isCalibrating ? (
          <CalibrateView
            key={calibration.data.id}
            calibration={calibration.data}
            electrode={electrode}
            live={liveProbe(live, electrode.id)}
            world={live?.world ?? null}
            onLeave={() => {
              handleOpened(null)
            }}
            onAgain={handleOpened}
          />
        ) : (
          <ElectrodeOverview experiment={experiment} electrode={electrode} onOpened={handleOpened} />
        )}
      </main>
      <SimulatedBench bench={bench.data} world={live?.world ?? null} />
    </>
  )
}
