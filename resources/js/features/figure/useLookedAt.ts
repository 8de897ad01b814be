import { useCallback, useEffect, useRef, useState } from 'react'
import { WHOLE, type View } from '../../lib/figure/view'
import type { FigureCanvas } from './FigureCanvas'

/** Readings of a stretch are asked for once a hand rests that long; until then nothing but the figure is drawn anew. */
const RESTS_MS = 120

/** What is seen of a figure once it rests, and what is to be called with the figure. */
export function useLookedAt(): [View, (canvas: FigureCanvas | null) => void] {
  const [view, setView] = useState(WHOLE)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(
    () => () => {
      clearTimeout(timer.current)
    },
    [],
  )
  const watch = useCallback((canvas: FigureCanvas | null) => {
    canvas?.onLook((seen) => {
      clearTimeout(timer.current)
      timer.current = setTimeout(() => {
        setView(seen)
      }, RESTS_MS)
    })
  }, [])
  return [view, watch]
}
