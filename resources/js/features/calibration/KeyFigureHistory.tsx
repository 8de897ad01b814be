import { useCallback } from 'react'
import type { KeptCalibration } from '../../lib/api/types'
import type { Ink } from '../../lib/figure/ink'
import { Figure } from '../figure'
import { historyOption, historyPoints } from './historyOption'

interface KeyFigureHistoryProps {
  calibrations: readonly KeptCalibration[]
  isSmall?: boolean
}

/** How the number a probe is judged by has changed over its calibrations. */
export function KeyFigureHistory({ calibrations, isSmall = false }: KeyFigureHistoryProps) {
  const option = useCallback((ink: Ink) => historyOption(calibrations, ink, isSmall), [calibrations, isSmall])
  const points = historyPoints(calibrations)
  const [first, last] = [points[0], points[points.length - 1]]
  const summary =
    first !== undefined && last !== undefined
      ? `${last.figure.measured.unit} ${last.figure.label} over ${points.length} calibrations, from ${first.figure.measured.shownValue} to ${last.figure.measured.shownValue}.`
      : 'No calibrations yet.'
  return <Figure option={option} summary={summary} />
}
