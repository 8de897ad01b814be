import type { Calibration, KeyFigure, OneCalibration, Probe } from '../../lib/api/types'
import { typeset } from '../../lib/format'
import { Note } from '../../ui/Note'
import { GRADE_TEXT, GRADE_TONE } from './grades'
import { KeyFigureHistory } from './KeyFigureHistory'
import { standardValue } from './standardWords'
import { useCalibrationHistory } from './useCalibration'

/** What the readings come to so far: the numbers it is judged by, the verdict, and how the probe has changed. */
export function SoFar({ calibration, probe }: { calibration: Calibration; probe: Probe }) {
  const history = useCalibrationHistory(probe.id)
  const all = [calibration, ...calibration.beside]
  return (
    <section className="panel flex flex-col gap-4 overflow-y-auto p-4" aria-labelledby="so-far-title">
      <h2 id="so-far-title" className="font-semibold">
        {calibration.state === 'kept' ? 'Kept' : 'So far'}
      </h2>
      {all.map((one) => (
        <Judgement key={one.id} calibration={one} isOneOfMany={all.length > 1} />
      ))}
      {all.length === 1 && history.data !== undefined && history.data.calibrations.length > 1 ? (
        <div className="mt-auto">
          <h3 className="text-sm font-semibold">This probe over time</h3>
          <div className="h-32">
            <KeyFigureHistory calibrations={history.data.calibrations} isSmall />
          </div>
          {history.data.trend === null ? null : (
            <p className={`text-sm ${history.data.trend.isReplacedSoon ? 'amber' : 'quiet'}`}>
              {history.data.trend.sentence}
            </p>
          )}
        </div>
      ) : null}
    </section>
  )
}

function Judgement({ calibration, isOneOfMany }: { calibration: OneCalibration; isOneOfMany: boolean }) {
  const { verdict, keyFigures, faults, recipe } = calibration
  const [first, ...others] = keyFigures
  const isUnclear = faults.some((fault) => fault.blocks)
  if (first === undefined || verdict === null || isUnclear) {
    return (
      <p className="quiet">
        {isOneOfMany ? <strong>{calibration.probe.serial} </strong> : null}
        {isUnclear
          ? 'No line yet: see what is said at the left.'
          : `After ${recipe.leastStandards === 1 ? 'one standard' : 'two standards'} the line and a verdict stand here.`}
      </p>
    )
  }
  return (
    <div className={`flex flex-col gap-3 ${isOneOfMany ? 'border-base-300 border-t pt-3' : ''}`}>
      {isOneOfMany ? (
        <h3 className="text-sm font-semibold">
          {calibration.probe.title} <span className="quiet font-normal">{calibration.probe.serial}</span>
        </h3>
      ) : null}
      <p>
        <span
          className={`num ${isOneOfMany ? 'text-2xl' : 'text-[2.6rem]'} leading-none font-bold ${GRADE_TEXT[verdict.grade]}`}
        >
          {typeset(first.measured.shownValue)}{' '}
          <span className="font-sans text-[0.6em] font-normal">{first.measured.unit}</span>
        </span>
        <span className="quiet mt-1 block text-sm">
          {uncertaintyText(first)} {first.label}
        </span>
      </p>
      {isOneOfMany
        ? null
        : others.map((figure) => (
            <p key={figure.label}>
              <span className="num text-2xl font-bold">
                {isSigned(figure) && figure.measured.value > 0 ? '+' : ''}
                {typeset(figure.measured.shownValue)}{' '}
                <span className="font-sans text-[0.7em] font-normal">{figure.measured.unit}</span>
              </span>
              <span className="quiet block text-sm">
                {uncertaintyText(figure)} {figure.label}
                {goodText(figure)}
              </span>
            </p>
          ))}
      <Residual calibration={calibration} />
      <Note tone={GRADE_TONE[verdict.grade]}>
        <strong>{verdict.title}</strong> {verdict.advice}
        <Effect calibration={calibration} />
      </Note>
    </div>
  )
}

/** How far the standards lie off their line; two always lie on it. */
function Residual({ calibration }: { calibration: OneCalibration }) {
  const residuals = calibration.standards.flatMap(({ reading }) => reading?.off ?? [])
  if (residuals.length < 3) return null
  const largest = Math.max(...residuals.map(Math.abs))
  return (
    <p className="quiet text-sm">
      {residuals.length} standards lie within{' '}
      <span className="num">
        {largest.toPrecision(2)} {calibration.probe.rawUnit}
      </span>{' '}
      of the line.
    </p>
  )
}

/** What changes by it; a difference that does not show is not worth a sentence. */
function Effect({ calibration }: { calibration: OneCalibration }) {
  if (calibration.effect === null) return null
  const shown = standardValue(calibration.effect.shown, calibration.unit)
  const before = standardValue(calibration.effect.before, calibration.unit)
  if (shown === before) return null
  return (
    <>
      {' '}
      A reading of {shown} would have been shown as {before} before this calibration.
    </>
  )
}

function uncertaintyText(figure: KeyFigure): string {
  const { shownUncertainty, unit } = figure.measured
  return shownUncertainty === '' ? '' : `± ${shownUncertainty} ${unit}`
}

/** A figure that is good around nothing can be of either sign and says so. */
function isSigned({ goodFrom, goodTo }: KeyFigure): boolean {
  return goodFrom !== null && goodTo !== null && goodFrom === -goodTo
}

function goodText(figure: KeyFigure): string {
  const { goodFrom, goodTo } = figure
  if (goodFrom === null || goodTo === null) return ''
  return goodFrom === -goodTo
    ? ` (good within ± ${goodTo} ${figure.measured.unit})`
    : ` (good from ${goodFrom} to ${goodTo} ${figure.measured.unit})`
}
