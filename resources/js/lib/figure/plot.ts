import type { Room } from './key'
import type { DrawnAxis } from './view'
import type { Plot } from './viewGesture'

/** How a panel is placed: in px, or as a part of the height of all. */
export interface Placed {
  left: number
  right: number
  top: number | string
  bottom?: number | string
  height?: number | string
}

/** Where a panel lies in a figure. */
export function plotIn({ left, right, top, bottom, height }: Placed, room: Room): Plot {
  const px = (length: number | string) =>
    typeof length === 'number' ? length : (Number.parseFloat(length) / 100) * room.height
  return {
    left,
    top: px(top),
    width: room.width - left - right,
    height: height === undefined ? room.height - px(top) - px(bottom ?? 0) : px(height),
  }
}

/** The px of a value along an axis whose ends are drawn at these two. */
export function alongAxis({ min, max, isLogarithmic }: DrawnAxis, from: number, to: number): (value: number) => number {
  const of = isLogarithmic ? Math.log : (value: number) => value
  const perStep = (to - from) / (of(max) - of(min))
  return (value) => from + (of(value) - of(min)) * perStep
}
