import { niceStep } from './axes'

/** A row as a figure draws it. */
export interface PickPoint {
  runId: number
  id: number
  x: number
  y: number
  isAside: boolean
}

/** What is picked on a figure: nothing, one row, a place along x, or a stretch of it with the rows inside. */
export type Selection =
  | { kind: 'none' }
  | { kind: 'row'; id: number }
  /** A place along x, at a reading or between two; where it was pressed, how high that was. */
  | { kind: 'place'; at: number; height?: number }
  | { kind: 'span'; from: number; to: number; anchor: number; head: number }

export const NOTHING: Selection = { kind: 'none' }

export function spanBetween(anchor: number, head: number): Selection {
  return { kind: 'span', from: Math.min(anchor, head), to: Math.max(anchor, head), anchor, head }
}

/** An end of a span as a hand means it: a round number within a pixel of it, and none beyond the points. */
export function meantEnd(points: readonly PickPoint[], at: number, perPixel: number): number {
  if (points.length === 0) return at
  const [first, last] = points.reduce(
    ([low, high], { x }) => [Math.min(low, x), Math.max(high, x)],
    [Infinity, -Infinity],
  )
  return Math.max(first, Math.min(last, roundTo(at, perPixel)))
}

/** A round number within a pixel of a value. */
export function roundTo(value: number, perPixel: number): number {
  const step = niceStep(Math.abs(perPixel), 1)
  return Number((Math.round(value / step) * step).toPrecision(12))
}

/** The points inside a span that count. */
export function pointsIn(points: readonly PickPoint[], from: number, to: number): PickPoint[] {
  return points.filter((point) => point.x >= from && point.x <= to && !point.isAside)
}

type Movement = 'back' | 'on'

/** The next point in a direction; from nothing, the first one that way. */
export function movePick(points: readonly PickPoint[], selection: Selection, movement: Movement): Selection {
  if (points.length === 0) return NOTHING
  const index = selection.kind === 'row' ? points.findIndex(({ id }) => id === selection.id) : -1
  const start =
    selection.kind === 'place'
      ? movement === 'on'
        ? firstBeyond(points, selection.at)
        : firstFrom(points, selection.at) - 1
      : movement === 'on'
        ? 0
        : points.length - 1
  const wanted = index === -1 ? start : index + (movement === 'on' ? 1 : -1)
  const point = points[Math.max(0, Math.min(points.length - 1, wanted))]
  return point === undefined ? NOTHING : { kind: 'row', id: point.id }
}

/** Where along x something is picked; null for nothing and for a span. */
export function placeOf(points: readonly PickPoint[], selection: Selection): number | null {
  if (selection.kind === 'place') return selection.at
  return selection.kind === 'row' ? (points.find(({ id }) => id === selection.id)?.x ?? null) : null
}

function firstFrom(points: readonly PickPoint[], at: number): number {
  const index = points.findIndex(({ x }) => x >= at - 1e-9)
  return index === -1 ? points.length : index
}

function firstBeyond(points: readonly PickPoint[], at: number): number {
  const index = points.findIndex(({ x }) => x > at + 1e-9)
  return index === -1 ? points.length : index
}

/** Stretches the span from where it began to the next point in a direction. */
export function stretchSpan(points: readonly PickPoint[], selection: Selection, movement: Movement): Selection {
  const places = points.map(({ x }) => x)
  const first = places[0]
  if (first === undefined) return NOTHING
  const anchor = selection.kind === 'span' ? selection.anchor : (placeOf(points, selection) ?? first)
  const head = selection.kind === 'span' ? selection.head : anchor
  const next =
    movement === 'on'
      ? places.find((place) => place > head + 1e-9)
      : places.filter((place) => place < head - 1e-9).at(-1)
  return spanBetween(anchor, next ?? head)
}
