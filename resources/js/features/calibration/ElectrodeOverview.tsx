import { Link } from 'react-router'
import { dayAndTime, daysBetween } from '../../lib/ago'
import { sentenceOf } from '../../lib/api/problem'
import type { Experiment, Probe } from '../../lib/api/types'
import { fixed, signed } from '../../lib/format'
import { Note } from '../../ui/Note'
import { useKey } from '../../ui/useKey'
import { useNow } from '../../ui/useNow'
import { SlopeHistory } from './SlopeHistory'
import { USUAL_STANDARDS } from './standards'
import { useCalibrationHistory, useOpenCalibration } from './useCalibration'

interface ElectrodeOverviewProps {
  experiment: Experiment
  electrode: Probe
  onOpened: (calibrationId: number) => void
}

/** What is ready and what is not, before anything is recorded. */
export function ElectrodeOverview({ experiment, electrode, onOpened }: ElectrodeOverviewProps) {
  const now = useNow(30_000)
  const history = useCalibrationHistory(electrode.id)
  const open = useOpenCalibration(electrode.id)
  const { calibration } = electrode
  const keptAt = calibration?.keptAt == null ? null : new Date(calibration.keptAt)
  const isFresh = keptAt !== null && daysBetween(keptAt, now) <= 1 && calibration?.verdict?.isUsable === true

  function handleCalibrate() {
    open.mutate(USUAL_STANDARDS, {
      onSuccess: (opened) => {
        onOpened(opened.id)
      },
    })
  }
  useKey('s', isFresh ? null : handleCalibrate)

  return (
    <>
      <section className="panel flex flex-col gap-4 p-4" aria-labelledby="prepare-title">
        <h2 id="prepare-title" className="font-semibold">
          Before the run
        </h2>
        <ol className="flex flex-col gap-4">
          <Check isDone={isFresh} number={1} title="Electrode calibrated">
            {keptAt === null || calibration?.slopePercent == null ? (
              <span className="amber">Never calibrated: readings would only be voltages.</span>
            ) : (
              <span className={isFresh ? 'quiet' : 'amber'}>
                {dayAndTime(keptAt, now)} · slope {fixed(calibration.slopePercent, 1)} % of ideal
                {isFresh ? '' : '. Calibrate again today.'}
              </span>
            )}
            <button
              type="button"
              className={`btn mt-2 w-full ${isFresh ? 'btn-outline btn-sm' : 'btn-primary'}`}
              disabled={open.isPending}
              onClick={handleCalibrate}
            >
              {isFresh ? 'Calibrate again' : 'Calibrate pH electrode'}
              {isFresh ? null : <kbd className="key">S</kbd>}
            </button>
          </Check>
          <Check isDone={experiment.runs.length > 0} number={2} title="Record a run">
            <span className="quiet">One reading a step, from the burette’s first mL to its last.</span>
            <Link
              to={`/experiments/${experiment.id}/record`}
              className={`btn mt-2 w-full ${isFresh ? 'btn-primary' : 'btn-outline btn-sm'}`}
            >
              Go to Record
            </Link>
          </Check>
        </ol>
        {open.isError ? (
          <Note tone="red" role="alert">
            {sentenceOf(open.error)}
          </Note>
        ) : null}
        <div className="mt-auto">
          <Note>
            Two standards that bracket your sample are enough; the third shows whether the electrode is still straight.
          </Note>
        </div>
      </section>
      <section className="panel flex min-h-80 flex-col p-4" aria-labelledby="history-title">
        <h2 id="history-title" className="font-semibold">
          Slope of this electrode <span className="quiet font-normal">{electrode.serial}, % of ideal</span>
        </h2>
        <div className="min-h-0 flex-1">
          {history.data !== undefined && history.data.length > 0 ? (
            <SlopeHistory calibrations={history.data} />
          ) : (
            <p className="quiet p-8 text-center">Its calibrations will be drawn here, one point each.</p>
          )}
        </div>
      </section>
      <section className="panel flex flex-col gap-4 p-4" aria-labelledby="trust-title">
        <h2 id="trust-title" className="font-semibold">
          Can it be trusted?
        </h2>
        {calibration?.verdict == null || calibration.slopePercent === null || calibration.offset === null ? (
          <p className="quiet">After the first calibration its slope, its offset and a verdict stand here.</p>
        ) : (
          <>
            <p>
              <span className="num text-success text-4xl font-bold">{fixed(calibration.slopePercent, 1)} %</span>
              <span className="quiet block">of the ideal slope</span>
            </p>
            <p>
              <span className="num text-2xl font-bold">{signed(calibration.offset, 1)} mV</span>
              <span className="quiet block">at pH 7 (good within ± 15 mV)</span>
            </p>
            <Note tone={calibration.verdict.isUsable ? 'green' : 'amber'}>
              <strong>{calibration.verdict.title}</strong> {calibration.verdict.advice}
            </Note>
          </>
        )}
      </section>
    </>
  )
}

interface CheckProps {
  isDone: boolean
  number: number
  title: string
  children: React.ReactNode
}

function Check({ isDone, number, title, children }: CheckProps) {
  return (
    <li className="grid grid-cols-[1.75rem_1fr] gap-2">
      <span
        className={`grid size-6 place-items-center rounded-full text-sm ${
          isDone ? 'bg-success/15 text-success' : 'border-base-300 quiet border'
        }`}
        aria-label={isDone ? 'done' : 'to do'}
      >
        {isDone ? '✓' : number}
      </span>
      <div>
        <h3 className="font-semibold">{title}</h3>
        {children}
      </div>
    </li>
  )
}
