import type { Way } from '../api/types'

/** A small picture of a way, px. */
export const TILE = { width: 240, height: 150, plotTop: 8, plotBottom: 108, restMiddle: 132, restHalf: 14, edge: 10 }

export interface Tile {
  points: readonly (readonly [number, number])[]
  line: readonly [readonly [number, number], readonly [number, number]]
  /** What is left over beneath, as upright strokes from the middle. */
  rest: readonly { x: number; to: number }[]
}

/** Where points, line and what is left over stand in a small picture; what is left over is enlarged to its room. */
export function tileOf({ x, y, line, residuals }: Pick<Way, 'x' | 'y' | 'line' | 'residuals'>): Tile {
  const [from, to] = line.map(([at = 0, height = 0]) => [at, height] as const)
  const ends = [from?.[1] ?? 0, to?.[1] ?? 0]
  const across = scale(x, TILE.edge, TILE.width - TILE.edge)
  const up = scale([...y, ...ends], TILE.plotBottom - TILE.edge, TILE.plotTop + TILE.edge)
  const most = residuals.reduce((largest, one) => Math.max(largest, Math.abs(one)), 0)
  const place = (end: readonly [number, number] | undefined) => [across(end?.[0] ?? 0), up(end?.[1] ?? 0)] as const
  return {
    points: x.map((at, i) => [across(at), up(y[i] ?? 0)]),
    line: [place(from), place(to)],
    rest: x.map((at, i) => ({
      x: across(at),
      to: TILE.restMiddle - (most === 0 ? 0 : (TILE.restHalf * (residuals[i] ?? 0)) / most),
    })),
  }
}

/** Makes a number a pixel; where all are the same, the middle. */
function scale(values: readonly number[], first: number, last: number): (value: number) => number {
  const low = values.reduce((least, one) => Math.min(least, one), Infinity)
  const high = values.reduce((most, one) => Math.max(most, one), -Infinity)
  return (value) => (high > low ? first + ((last - first) * (value - low)) / (high - low) : (first + last) / 2)
}

/** So little is left of exact points by rounding. */
const ROUNDING = 1e-10

/** R² with so many digits that it is not rounded to 1. */
export function rSquaredText(rSquared: number): string {
  const left = 1 - rSquared
  if (left < ROUNDING) return '1'
  return rSquared.toFixed(Math.max(3, Math.ceil(-Math.log10(left))))
}
