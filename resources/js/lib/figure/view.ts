import type { AxisRange } from './axes'

/** What of a figure is seen where that is not all of it: of x, and of the axes of y by their place. */
export interface View {
  x: AxisRange | null
  y: Readonly<Partial<Record<number, AxisRange>>>
}

export const WHOLE: View = { x: null, y: {} }

/** An axis as it is drawn. */
export interface DrawnAxis extends AxisRange {
  isLogarithmic: boolean
}

/** Of x, and of each axis of y with the panel it belongs to. */
export interface DrawnAxes {
  x: DrawnAxis
  y: readonly (DrawnAxis & { panel: number })[]
}

/** Which axes a hand moves: those of one panel together, or one side of it. */
export type Grip = { axes: 'both'; panel: number } | { axes: 'x' } | { axes: 'y'; panel: number }

/** How far, as shares of the length of an axis: to the right, and up. */
export interface Shares {
  x: number
  y: number
}

/** So much nearer nothing could be told apart any more; of an axis by powers of ten one is always seen. */
const NEAREST = 1e-9
const ONE_POWER = 1
/** So far beyond each end of all there is, as a share of it, one can move. */
const BEYOND = 0.5
/** What differs by less of an axis is all of it. */
const HAIR = 1e-6

/** Drawn nearer, by a factor below 1, or from further away, about a place told as shares of the axes from their lower ends. */
export function zoomed(view: View, whole: DrawnAxes, grip: Grip, about: Shares, factor: number): View {
  return changed(view, whole, grip, (axis, along) => {
    const at = axis.min + about[along] * (axis.max - axis.min)
    return { min: at - (at - axis.min) * factor, max: at + (axis.max - at) * factor }
  })
}

/** Moved along under a hand. */
export function moved(view: View, whole: DrawnAxes, grip: Grip, by: Shares): View {
  return changed(view, whole, grip, (axis, along) => {
    const way = by[along] * (axis.max - axis.min)
    return { min: axis.min - way, max: axis.max - way }
  })
}

/** With a place along x in sight: where it was not, it stands in the middle now. */
export function revealed(view: View, whole: DrawnAxes, at: number): View {
  if (view.x === null || (at >= view.x.min && at <= view.x.max)) return view
  const [from, to] = [even({ ...whole.x, ...view.x }), whole.x.isLogarithmic ? Math.log10(at) : at]
  const way = (from.min + from.max) / 2 - to
  return moved(view, whole, { axes: 'x' }, { x: way / (from.max - from.min), y: 0 })
}

/** Axes as they are drawn with a view of them. */
export function seenAxes(whole: DrawnAxes, view: View): DrawnAxes {
  return {
    x: { ...whole.x, ...view.x },
    y: whole.y.map((axis, place) => ({ ...axis, ...view.y[place] })),
  }
}

function changed(
  view: View,
  whole: DrawnAxes,
  grip: Grip,
  change: (axis: AxisRange, along: 'x' | 'y') => AxisRange,
): View {
  const drawn = seenAxes(whole, view)
  const x = grip.axes === 'y' ? view.x : limited(change(even(drawn.x), 'x'), whole.x)
  if (grip.axes === 'x') return { ...view, x }
  const y = { ...view.y }
  whole.y.forEach((all, place) => {
    const axis = drawn.y[place]
    if (axis?.panel === grip.panel) y[place] = limited(change(even(axis), 'y'), all) ?? undefined
  })
  return { x, y }
}

/** Along an axis by powers of ten equal steps are equal factors. */
function even(axis: DrawnAxis): AxisRange {
  return axis.isLogarithmic ? { min: Math.log10(axis.min), max: Math.log10(axis.max) } : axis
}

/** Within what can be seen at all; null where that is all of the axis. */
function limited({ min, max }: AxisRange, whole: DrawnAxis): AxisRange | null {
  const all = even(whole)
  const length = all.max - all.min
  const least = whole.isLogarithmic
    ? Math.min(length, ONE_POWER)
    : NEAREST * Math.max(length, Math.abs(all.min), Math.abs(all.max))
  const size = Math.min(Math.max(max - min, least), (1 + 2 * BEYOND) * length)
  const middle = (min + max) / 2
  const highest = all.max + BEYOND * length - size
  const from = Math.max(all.min - BEYOND * length, Math.min(highest, middle - size / 2))
  if (Math.abs(from - all.min) < HAIR * length && Math.abs(size - length) < HAIR * length) return null
  return whole.isLogarithmic ? { min: 10 ** from, max: 10 ** (from + size) } : { min: from, max: from + size }
}
