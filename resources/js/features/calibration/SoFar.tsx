import type { Calibration, Probe } from '../../lib/api/types'
import { fixed, signed } from '../../lib/format'
import { Note } from '../../ui/Note'
import { SlopeHistory } from './SlopeHistory'
import { useCalibrationHistory } from './useCalibration'

const TONE = {
  healthy: 'text-success',
  aged: 'amber',
  failing: 'text-error',
  offset: 'amber',
  'check standards': 'text-error',
}

/** A difference that two decimals do not show is not worth a sentence. */
const SAME_PH = 0.005

/** What the readings come to so far: slope, offset, verdict, and how the electrode has aged. */
export function SoFar({ calibration, electrode }: { calibration: Calibration; electrode: Probe }) {
  const { line, verdict, effect } = calibration
  const history = useCalibrationHistory(electrode.id)
  const isUnclear = calibration.faults.some((fault) => fault.blocks)
  return (
    <section className="panel flex flex-col gap-4 p-4" aria-labelledby="so-far-title">
      <h2 id="so-far-title" className="font-semibold">
        {calibration.state === 'kept' ? 'Kept' : 'So far'}
      </h2>
      {line === null || verdict === null || isUnclear ? (
        <p className="quiet">
          {isUnclear
            ? 'No slope yet: the readings contradict each other.'
            : 'After two standards the slope, the offset and a verdict stand here.'}
        </p>
      ) : (
        <>
          <p>
            <span className={`num text-[2.6rem] leading-none font-bold ${TONE[verdict.code]}`}>
              {fixed(line.slopePercent, 1)} %
            </span>
            <span className="quiet mt-1 block">
              ± {fixed(line.slopePercentUncertainty, 1)} % of ideal, {fixed(line.slope, 1)} mV/pH
            </span>
          </p>
          <p>
            <span className="num text-2xl font-bold">{signed(line.offset, 1)} mV</span>
            <span className="quiet block text-sm">
              ± {fixed(line.offsetUncertainty, 1)} mV at pH 7 (good within ± 15 mV)
            </span>
          </p>
          <Note tone={verdict.isUsable ? 'green' : 'amber'}>
            <strong>{verdict.title}</strong> {verdict.advice}
            {effect === null || Math.abs(effect.shown - effect.before) < SAME_PH ? null : (
              <>
                {' '}
                A reading of {fixed(effect.shown, 2)} would have been shown as {fixed(effect.before, 2)} before this
                calibration.
              </>
            )}
          </Note>
        </>
      )}
      {history.data !== undefined && history.data.length > 1 ? (
        <div className="mt-auto">
          <h3 className="text-sm font-semibold">This electrode over time, % of ideal</h3>
          <div className="h-32">
            <SlopeHistory calibrations={history.data} isSmall />
          </div>
        </div>
      ) : null}
    </section>
  )
}
