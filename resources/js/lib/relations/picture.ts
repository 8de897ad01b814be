import { niceRange, type AxisRange } from '../figure/axes'

/** Where a picture of points and a curve lies, px. */
export interface Room {
  left: number
  right: number
  top: number
  bottom: number
}

export interface Picture {
  xRange: AxisRange & { step: number }
  yRange: AxisRange & { step: number }
  across: (value: number) => number
  up: (value: number) => number
}

/** Scales that show all points, whatever a curve does beyond them. */
export function pictureOf(x: readonly number[], y: readonly number[], room: Room): Picture {
  const [xRange, yRange] = [niceRange(x, null), niceRange(y, null)]
  return {
    xRange,
    yRange,
    across: between(xRange, room.left, room.right),
    up: between(yRange, room.bottom, room.top),
  }
}

function between({ min, max }: AxisRange, first: number, last: number): (value: number) => number {
  return (value) => first + ((last - first) * (value - min)) / (max - min)
}

/** A line through points; it is interrupted where there is no value. */
export function pathOf(
  x: readonly number[],
  y: readonly (number | null)[],
  { across, up }: Pick<Picture, 'across' | 'up'>,
): string {
  let isDown = false
  return x
    .map((at, i) => {
      const height = y[i] ?? null
      if (height === null || !Number.isFinite(height)) {
        isDown = false
        return ''
      }
      const step = `${isDown ? 'L' : 'M'}${short(across(at))} ${short(up(height))}`
      isDown = true
      return step
    })
    .join('')
}

/** What is left over, as upright strokes from a middle line, enlarged to its room. */
export function strokesOf(
  x: readonly number[],
  residuals: readonly number[],
  across: (value: number) => number,
  middle: number,
  half: number,
): string {
  const most = residuals.reduce((largest, one) => Math.max(largest, Math.abs(one)), 0)
  return x
    .map((at, i) => {
      const to = middle - (most === 0 ? 0 : (half * (residuals[i] ?? 0)) / most)
      return `M${short(across(at))} ${short(middle)}V${short(to)}`
    })
    .join('')
}

/** Where the numbers of an axis stand. */
export function ticksOf({ min, max, step }: AxisRange & { step: number }): number[] {
  const count = Math.round((max - min) / step)
  return Array.from({ length: count + 1 }, (_, i) => min + i * step)
}

function short(px: number): string {
  // Far outside it is cut off anyhow, and a drawing takes no endless number.
  return String(Math.round(Math.max(-1e5, Math.min(1e5, px)) * 100) / 100)
}

/** Constants as the server reads them: "a = 1.5; b = 0". */
export function constantsText(values: Readonly<Record<string, number>>): string {
  return Object.entries(values)
    .map(([name, value]) => `${name} = ${value}`)
    .join('; ')
}

/** Steps of a slider from one end to the other. */
export const SLIDER_STEPS = 200

/** From where to where a constant is slid, around what it is now. */
export function slideRange(value: number): AxisRange & { step: number } {
  const reach = value === 0 ? 1 : 2 * Math.abs(value)
  return { min: value - reach, max: value + reach, step: (2 * reach) / SLIDER_STEPS }
}
