import { useCallback, useState } from 'react'
import type { AxisRange } from '../../lib/figure/axes'
import type { FigureCanvas } from './FigureCanvas'
import { useSettled } from './useSettled'

/** Readings of a stretch are asked for once a hand rests that long. */
const RESTS_MS = 120

/** The stretch of x that is looked at once it rests, null for all of it; and what is to be called with the figure. */
export function useLookedAt(): [AxisRange | null, (canvas: FigureCanvas | null) => void] {
  const [x, setX] = useState<AxisRange | null>(null)
  const watch = useCallback((canvas: FigureCanvas | null) => {
    canvas?.onLook(setX)
  }, [])
  return [useSettled(x, RESTS_MS), watch]
}
