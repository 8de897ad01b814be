import { useCallback, useState } from 'react'
import { WHOLE, type View } from '../../lib/figure/view'
import type { FigureCanvas } from './FigureCanvas'
import { useSettled } from './useSettled'

/** Readings of a stretch are asked for once a hand rests that long. */
const RESTS_MS = 120

/** What is seen of a figure once it rests, and what is to be called with the figure. */
export function useLookedAt(): [View, (canvas: FigureCanvas | null) => void] {
  const [view, setView] = useState(WHOLE)
  const watch = useCallback((canvas: FigureCanvas | null) => {
    canvas?.onLook(setView)
  }, [])
  return [useSettled(view, RESTS_MS), watch]
}
