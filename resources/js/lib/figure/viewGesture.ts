import { moved, zoomed, type DrawnAxes, type Grip, type View } from './view'

export interface Place {
  x: number
  y: number
}

/** Where the panel a hand is in is drawn, in px. */
export interface Plot {
  left: number
  top: number
  width: number
  height: number
}

/** What is under a hand, and what moves with it: a plot, what stands beside it, or below all. */
export interface Under {
  part: 'plot' | 'beside' | 'below'
  grip: Grip
  plot: Plot
}

interface Began {
  under: Under
  /** As it was seen. */
  view: View
}

/** Hands on a figure: one beside an axis that may still mean a span, one that moves what is seen, or two that stretch it. */
export type ViewGesture =
  | { status: 'idle' }
  | ({ status: 'undecided'; from: Place } & Began)
  | ({ status: 'moving'; from: Place } & Began)
  | ({ status: 'pinching'; from: readonly [Place, Place] } & Began)

export const STILL: ViewGesture = { status: 'idle' }

/** A hand moves this far without meaning to. */
const MEANT_PX = 5
/** A turn of the wheel by one notch is about 100. */
const PER_NOTCH = 1.25
const NOTCH = 100
/** Fingers never are closer. */
const CLOSEST_PX = 10

/** Whether a hand that moved from one place to another beside an axis meant the axis: up or down; null: not to be told yet. */
export function meansAxis(from: Place, to: Place): boolean | null {
  const [along, up] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)]
  return Math.max(along, up) < MEANT_PX ? null : up > along
}

/** What is seen once hands are at these places; null where they change nothing yet. */
export function seenBy(gesture: ViewGesture, whole: DrawnAxes, at: readonly Place[]): View | null {
  const [one, two] = at
  if (gesture.status === 'moving' && one !== undefined) {
    const { under, view, from } = gesture
    return moved(view, whole, under.grip, shares(under.plot, from, one))
  }
  if (gesture.status === 'pinching' && one !== undefined && two !== undefined) {
    const { under, view, from } = gesture
    const [before, now] = [between(from[0], from[1]), between(one, two)]
    const factor = apart(from[0], from[1]) / apart(one, two)
    const near = zoomed(view, whole, under.grip, shareOf(under.plot, before), factor)
    return moved(near, whole, under.grip, shares(under.plot, before, now))
  }
  return null
}

/** The factor a turn of the wheel means: towards the hand is nearer. */
export function wheelFactor(delta: number): number {
  return PER_NOTCH ** (Math.max(-3 * NOTCH, Math.min(3 * NOTCH, delta)) / NOTCH)
}

/** Where a place is within a plot, as shares from its lower left corner. */
export function shareOf(plot: Plot, at: Place) {
  return { x: (at.x - plot.left) / plot.width, y: 1 - (at.y - plot.top) / plot.height }
}

function shares(plot: Plot, from: Place, to: Place) {
  return { x: (to.x - from.x) / plot.width, y: (from.y - to.y) / plot.height }
}

function apart(one: Place, two: Place): number {
  return Math.max(CLOSEST_PX, Math.hypot(two.x - one.x, two.y - one.y))
}

function between(one: Place, two: Place): Place {
  return { x: (one.x + two.x) / 2, y: (one.y + two.y) / 2 }
}
