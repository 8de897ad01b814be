import { useEffect, useRef } from 'react'
import type { Reading } from '../../lib/api/types'
import { NOTHING, spanBetween, type Selection } from '../../lib/figure/selection'
import { IDLE, moveTo, press, type Gesture } from '../../lib/figure/spanGesture'
import type { FigureCanvas } from '../figure'

const PANELS = 2
const UPPER = 0
/** A reading this near to a click is meant. */
const NEAR_PX = 20

/** Drag over the figure for a span, click for a reading. */
export function useSpanGesture(
  canvas: FigureCanvas | null,
  readings: readonly Reading[],
  onSelect: (selection: Selection) => void,
): void {
  const latest = useRef({ readings, onSelect })
  useEffect(() => {
    latest.current = { readings, onSelect }
  })

  useEffect(() => {
    if (canvas === null) return
    let gesture: Gesture = IDLE
    return canvas.onPointer(({ kind, x, y }) => {
      if (kind === 'down') {
        const panel = canvas.panelAt(x, y, PANELS)
        if (panel !== null) gesture = press(x, y, canvas.toData(panel, x, y)[0])
        return
      }
      if (gesture.status === 'idle') return
      gesture = moveTo(gesture, x, canvas.toData(UPPER, x, y)[0])
      if (gesture.status === 'dragging') latest.current.onSelect(spanBetween(gesture.volume, gesture.head))
      if (kind === 'up') {
        if (gesture.status === 'pressing') latest.current.onSelect(nearest(canvas, latest.current.readings, x, y))
        gesture = IDLE
      }
    })
  }, [canvas])
}

function nearest(canvas: FigureCanvas, readings: readonly Reading[], x: number, y: number): Selection {
  let best: Selection = NOTHING
  let bestPx = NEAR_PX
  for (const reading of readings) {
    if (reading.ph === null) continue
    const [px, py] = canvas.toPixel(UPPER, reading.volume, reading.ph.value)
    const distance = Math.hypot(px - x, py - y)
    if (distance < bestPx) {
      best = { kind: 'reading', id: reading.id }
      bestPx = distance
    }
  }
  return best
}
