import type { Calibration, LiveProbe, Probe, World } from '../../lib/api/types'
import { fixed } from '../../lib/format'
import { ElectrodeFigure } from './ElectrodeFigure'
import { SoFar } from './SoFar'
import { StandardSteps } from './StandardSteps'

interface CalibrateViewProps {
  calibration: Calibration
  electrode: Probe
  live: LiveProbe | null
  world: World | null
  onLeave: () => void
  onAgain: (calibrationId: number) => void
}

/** One calibration from its first standard to the kept line: steps, figure, what it comes to. */
export function CalibrateView({ calibration, electrode, live, world, onLeave, onAgain }: CalibrateViewProps) {
  const { line } = calibration
  return (
    <>
      <StandardSteps
        calibration={calibration}
        electrode={electrode}
        live={live}
        world={world}
        onLeave={onLeave}
        onAgain={onAgain}
      />
      <section className="panel flex min-h-96 flex-col p-4" aria-labelledby="line-title">
        <h2 id="line-title" className="font-semibold">
          Electrode voltage against pH
          {line === null ? null : (
            <span className="quiet ml-3 text-sm font-normal">
              grey: ideal electrode at {fixed(line.celsius, 1)} °C, {fixed(line.idealSlope, 1)} mV per pH
            </span>
          )}
        </h2>
        <div className="min-h-0 flex-1">
          <ElectrodeFigure
            calibration={calibration}
            nowMv={calibration.state === 'open' ? (live?.raw ?? null) : null}
          />
        </div>
      </section>
      <SoFar calibration={calibration} electrode={electrode} />
    </>
  )
}
