import { useEffect, useRef } from 'react'
import { meantEnd, NOTHING, roundTo, spanBetween, type PickPoint, type Selection } from '../../lib/figure/selection'
import { IDLE, isStill, moveTo, press, type Gesture } from '../../lib/figure/spanGesture'
import type { FigureCanvas } from '../figure'

const UPPER = 0
/** A point this near to a click is meant. */
const NEAR_PX = 20

export interface SpanGestureWish {
  /** Called when the place that follows the pointer is left where it is; null where none follows. */
  onLeave?: (() => void) | null
  /** Whether a click where no point is means a place; else it means nothing, as that of somebody who is done. */
  isPlaceMeant?: boolean
  /** Somebody pressed an axis. */
  onAxis?: () => void
}

/** Drag over the figure for a span, click for a point, or beside one for a place; where a place follows the pointer, a click leaves it there. */
export function useSpanGesture(
  canvas: FigureCanvas | null,
  panelCount: number,
  points: readonly PickPoint[],
  onSelect: (selection: Selection) => void,
  { onLeave = null, isPlaceMeant = false, onAxis }: SpanGestureWish = {},
): void {
  const latest = useRef({ points, panelCount, onSelect, onLeave, isPlaceMeant, onAxis })
  useEffect(() => {
    latest.current = { points, panelCount, onSelect, onLeave, isPlaceMeant, onAxis }
  })

  useEffect(() => {
    if (canvas === null) return
    let gesture: Gesture = IDLE
    let axis: { x: number; y: number } | null = null
    const endAt = (panel: number, x: number, y: number) => {
      const [at] = canvas.toData(panel, x, y)
      return meantEnd(latest.current.points, at, canvas.toData(panel, x + 1, y)[0] - at)
    }
    return canvas.onPointer(({ kind, x, y }) => {
      const { onLeave, onSelect } = latest.current
      if (onLeave !== null) {
        if (kind === 'away') return
        if (canvas.panelAt(y, latest.current.panelCount) !== null) onSelect({ kind: 'place', at: endAt(UPPER, x, y) })
        if (kind === 'up') onLeave()
        return
      }
      if (kind === 'down') {
        axis = canvas.isAtAxis(x, y) ? { x, y } : null
        // Whoever wants the first point in it begins to the left of the axis.
        const panel = canvas.panelAt(y, latest.current.panelCount)
        if (panel !== null) gesture = press(x, y, endAt(panel, x, y))
        return
      }
      if (kind === 'away') {
        gesture = IDLE
        axis = null
      }
      if (kind === 'up' && axis !== null && isStill(axis, { x, y })) {
        axis = null
        gesture = IDLE
        latest.current.onAxis?.()
        return
      }
      if (gesture.status === 'idle') return
      gesture = moveTo(gesture, x, endAt(UPPER, x, y))
      if (gesture.status === 'dragging') onSelect(spanBetween(gesture.at, gesture.head))
      if (kind === 'up') {
        if (gesture.status === 'pressing') {
          const point = nearest(canvas, latest.current.points, x, y)
          const isPlace = point.kind === 'none' && latest.current.isPlaceMeant
          onSelect(isPlace ? placeAt(canvas, endAt(UPPER, x, y), x, y, latest.current.panelCount) : point)
        }
        gesture = IDLE
      }
    })
  }, [canvas])
}

/** A place along x; in the upper panel how high it is counts, too, to what can be told of a pixel. */
function placeAt(canvas: FigureCanvas, at: number, x: number, y: number, panelCount: number): Selection {
  if (canvas.panelAt(y, panelCount) !== UPPER) return { kind: 'place', at }
  const [, height] = canvas.toData(UPPER, x, y)
  return { kind: 'place', at, height: roundTo(height, canvas.toData(UPPER, x, y + 1)[1] - height) }
}

function nearest(canvas: FigureCanvas, points: readonly PickPoint[], x: number, y: number): Selection {
  let best: Selection = NOTHING
  let bestPx = NEAR_PX
  for (const point of points) {
    const [px, py] = canvas.toPixel(UPPER, point.x, point.y)
    const distance = Math.hypot(px - x, py - y)
    if (distance < bestPx) {
      best = { kind: 'row', id: point.id }
      bestPx = distance
    }
  }
  return best
}
