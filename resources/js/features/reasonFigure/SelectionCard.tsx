import type { ReactNode } from 'react'
import type { PickPoint, Selection } from '../../lib/figure/selection'
import type { FigureCanvas } from '../figure'

interface SelectionCardProps {
  selection: Selection
  points: readonly PickPoint[]
  canvas: FigureCanvas | null
  children: ReactNode
}

const WIDTH_PX = 360
/** That much stays free at the edge of the figure. */
const EDGE_PX = 8
/** Where that of a span begins, below the upper end of the figure. */
const TOP_PX = 24
/** Room it takes to the left or the right of a span. */
const BESIDE_PX = WIDTH_PX + 22

/** Words beside what is selected on a figure. */
export function SelectionCard({ selection, points, canvas, children }: SelectionCardProps) {
  const place = placeOf(selection, points, canvas)
  if (place === null) return null
  return (
    <div
      className="panel border-primary/60 absolute z-10 max-w-full px-3 py-2 text-sm shadow-sm"
      style={{
        left: `max(0px, min(${place.x}px, 100% - ${WIDTH_PX + EDGE_PX}px))`,
        top: place.y,
        width: WIDTH_PX,
      }}
    >
      {children}
    </div>
  )
}

/** Beside the span or the reading, where there is room. */
function placeOf(
  selection: Selection,
  points: readonly PickPoint[],
  canvas: FigureCanvas | null,
): { x: number; y: number } | null {
  if (canvas === null || selection.kind === 'none') return null
  if (selection.kind === 'row') {
    const point = points.find(({ id }) => id === selection.id)
    const [px, py] = canvas.toPixel(0, point?.x ?? 0, point?.y ?? 0)
    return { x: px + 14, y: Math.max(4, py + 14) }
  }
  const anyHeight = points[0]?.y ?? 0
  if (selection.kind === 'place') {
    const [at] = canvas.toPixel(0, selection.at, anyHeight)
    return { x: at + BESIDE_PX > canvas.width ? at - BESIDE_PX + EDGE_PX : at + 14, y: TOP_PX }
  }
  const [from] = canvas.toPixel(0, selection.from, anyHeight)
  const [to] = canvas.toPixel(0, selection.to, anyHeight)
  const isRoomLeft = from - BESIDE_PX > 0 && to + BESIDE_PX > canvas.width
  return { x: isRoomLeft ? from - BESIDE_PX + EDGE_PX : to + 14, y: TOP_PX }
}
