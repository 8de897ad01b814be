import type { AxisRange } from './axes'
import type { Point } from './drawn'

/** So many points a column are drawn as they are. */
const MOST_IN_ONE = 4
/** So many points a figure draws at the pace of a hand, and no line is drawn in fewer columns than these. */
const MOST_IN_ALL = 12_000
const FEWEST_COLUMNS = 150
/** While a hand moves it, such a part of both. */
const SHARE_WHILE_MOVED = 0.5

/** So many points of a line have its shape, a part of a stretch further on with each line. */
const SHAPES_SEEN = 6
const SHIFT_OF_SHAPES = 0.37

/**
 * The points of a line, in the order of x, that can be seen of it: those within a range and their neighbours, and of more than can
 * be told apart the first, lowest, highest and last in each column.
 */
export function seenPoints(points: readonly Point[], { min, max }: AxisRange, columns: number): readonly Point[] {
  const from = Math.max(0, firstFrom(points, min) - 1)
  const to = Math.min(points.length, firstFrom(points, max, true) + 1)
  if (to - from <= MOST_IN_ONE * columns) return to - from === points.length ? points : points.slice(from, to)
  const drawn: Point[] = []
  let column = -Infinity
  let [first, low, high, last] = [from, from, from, from]
  const close = () => {
    const [left, right] = low < high ? [low, high] : [high, low]
    let before = -1
    for (const place of [first, left, right, last]) {
      const point = points[place]
      if (point !== undefined && place !== before) drawn.push(point)
      before = place
    }
  }
  for (let i = from; i < to; i++) {
    const [x, y] = points[i] ?? [NaN, NaN]
    const at = Math.floor(((x - min) / (max - min)) * columns)
    // A gap parts what is before from what is behind it.
    if (at !== column || Number.isNaN(y)) {
      if (i > from) close()
      column = Number.isNaN(y) ? -Infinity : at
      ;[first, low, high, last] = [i, i, i, i]
      continue
    }
    if (y < (points[low]?.[1] ?? y)) low = i
    if (y > (points[high]?.[1] ?? y)) high = i
    last = i
  }
  close()
  return drawn
}

/**
 * A few points of a line, for its shape: the first in each stretch of x, so that they go with the line when it is moved.
 *
 * @param number of its run: shapes of lines beside each other do not stand above each other
 */
export function pointsWithShape(points: readonly Point[], { min, max }: AxisRange, number: number): Point[] {
  const width = (max - min) / SHAPES_SEEN
  const stretchOf = ([x]: Point) => Math.floor(x / width + SHIFT_OF_SHAPES * number)
  return points.filter((point, i) => {
    const before = points[i - 1]
    return before !== undefined && stretchOf(before) !== stretchOf(point) && !Number.isNaN(point[1])
  })
}

/** In how many columns each of some lines is drawn: one for each px where they are few, fewer while a hand moves them. */
export function columnsFor(lines: number, widthPx: number, isMoving = false): number {
  const share = isMoving ? SHARE_WHILE_MOVED : 1
  const most = share * Math.max(FEWEST_COLUMNS, MOST_IN_ALL / (MOST_IN_ONE * Math.max(1, lines)))
  return Math.max(1, Math.round(Math.min(widthPx, most)))
}

/** The place of the first point at an x or behind it; `isBehind`: behind it. */
function firstFrom(points: readonly Point[], x: number, isBehind = false): number {
  let [low, high] = [0, points.length]
  while (low < high) {
    const middle = (low + high) >> 1
    const at = points[middle]?.[0] ?? NaN
    if (at < x || (isBehind && at === x)) low = middle + 1
    else high = middle
  }
  return low
}
