import type { Calibration, LiveBench, Probe } from '../../lib/api/types'
import { fixed } from '../../lib/format'
import { liveProbe } from '../probes/useLiveBench'
import { LineFigure } from './LineFigure'
import { SoFar } from './SoFar'
import { StandardSteps } from './StandardSteps'

interface CalibrateViewProps {
  calibration: Calibration
  probe: Probe
  live: LiveBench | null
  /** Where one goes with the calibration kept. */
  next: { to: string; words: string }
  onLeave: () => void
  onAgain: (calibrationId: number) => void
}

/** One calibration from its first standard to the kept line: steps, figure, what it comes to. */
export function CalibrateView({ calibration, probe, live, next, onLeave, onAgain }: CalibrateViewProps) {
  const { expected, unit } = calibration
  const now = new Map<number, number>()
  for (const { probeId } of [calibration, ...calibration.beside]) {
    const raw = liveProbe(live, probeId)?.raw
    if (calibration.state === 'open' && raw != null) now.set(probeId, raw)
  }
  return (
    <>
      <StandardSteps
        calibration={calibration}
        probe={probe}
        live={liveProbe(live, probe.id)}
        others={calibration.beside.map((one) => ({ serial: one.probe.serial, live: liveProbe(live, one.probeId) }))}
        world={live?.world ?? null}
        next={next}
        onLeave={onLeave}
        onAgain={onAgain}
      />
      <section className="panel flex min-h-96 min-w-0 flex-col p-4" aria-labelledby="line-title">
        <h2 id="line-title" className="font-semibold">
          Raw signal against {unit}
          {expected === null ? null : (
            <span className="quiet ml-3 text-sm font-normal">
              grey: {unit === 'pH' ? `ideal electrode at ${fixed(calibration.celsius, 1)} °C` : 'as its maker states'},{' '}
              {fixed(expected.slope, Math.abs(expected.slope) < 1 ? 4 : 1)} {calibration.probe.rawUnit} per {unit}
            </span>
          )}
        </h2>
        <div className="min-h-0 flex-1">
          <LineFigure calibration={calibration} now={now} rawStep={probe.steady.rawScatter} />
        </div>
      </section>
      <SoFar calibration={calibration} probe={probe} />
    </>
  )
}
