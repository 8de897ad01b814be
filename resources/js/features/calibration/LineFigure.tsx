import { useCallback } from 'react'
import type { Calibration } from '../../lib/api/types'
import type { Ink } from '../../lib/figure/ink'
import { fixed } from '../../lib/format'
import { Figure } from '../figure'
import { lineFigureOption } from './lineFigureOption'
import { standardName } from './standardWords'

interface LineFigureProps {
  calibration: Calibration
  /** The live raw signals, drawn at the standard that is next, by probe id. */
  now: ReadonlyMap<number, number>
  rawStep: number
}

/** Raw signal against quantity: what was read, what is now, the line so far, and the one a new probe would have. */
export function LineFigure({ calibration, now, rawStep }: LineFigureProps) {
  // Rounding to what shows as a pixel spares redrawing for noise.
  const shown = [calibration, ...calibration.beside].map(({ probeId }) => {
    const raw = now.get(probeId)
    return raw === undefined ? null : Math.round(raw / rawStep) * rawStep
  })
  const key = shown.join(' ')
  const option = useCallback(
    (ink: Ink) =>
      lineFigureOption(
        calibration,
        key.split(' ').map((text) => (text === '' ? null : Number(text))),
        ink,
      ),
    [calibration, key],
  )
  const read = calibration.standards.flatMap((standard) =>
    standard.reading === null
      ? []
      : [`${fixed(standard.reading.raw, 2)} ${calibration.probe.rawUnit} in ${standardName(standard)}`],
  )
  const [figure] = calibration.keyFigures
  const summary =
    `${calibration.probe.title}: raw signal against ${calibration.unit}. ` +
    (read.length === 0 ? 'No standard read yet.' : `${read.join(', ')}.`) +
    (figure === undefined ? '' : ` ${figure.measured.shownValue} ${figure.measured.unit} ${figure.label}.`)
  return <Figure option={option} summary={summary} />
}
