import { describe, expect, it } from 'vitest'
import { moved, revealed, seenAxes, WHOLE, zoomed, type DrawnAxes, type Grip } from './view'

const AXES: DrawnAxes = {
  x: { min: 0, max: 100, isLogarithmic: false },
  y: [
    { min: 0, max: 10, isLogarithmic: false, panel: 0 },
    { min: 20, max: 30, isLogarithmic: false, panel: 1 },
    { min: 1, max: 10_000, isLogarithmic: true, panel: 0 },
  ],
}
const BOTH: Grip = { axes: 'both', panel: 0 }

describe('what is seen of a figure', () => {
  it('comes nearer about a place, in both axes of its panel alone', () => {
    const view = zoomed(WHOLE, AXES, BOTH, { x: 0.25, y: 1 }, 0.5)
    expect(view.x).toEqual({ min: 12.5, max: 62.5 })
    expect(view.y[0]).toEqual({ min: 5, max: 10 })
    expect(view.y[1]).toBeUndefined()
    expect(view.y[2]?.min).toBeCloseTo(100, 9)
    expect(view.y[2]?.max).toBeCloseTo(10_000, 6)
  })

  it('keeps the place a hand is at under it, however often', () => {
    let view = WHOLE
    for (const factor of [0.8, 0.5, 1.2, 0.7]) view = zoomed(view, AXES, { axes: 'x' }, { x: 0.3, y: 0 }, factor)
    const { min, max } = view.x ?? { min: 0, max: 0 }
    expect(min + 0.3 * (max - min)).toBeCloseTo(30, 9)
    expect(max - min).toBeCloseTo(100 * 0.8 * 0.5 * 1.2 * 0.7, 9)
    expect(view.y, 'Only x was meant.').toEqual({})
  })

  it('moves with a hand: to the right shows what is further left', () => {
    const near = zoomed(WHOLE, AXES, BOTH, { x: 0.5, y: 0.5 }, 0.5)
    const view = moved(near, AXES, BOTH, { x: 0.1, y: -0.2 })
    expect(view.x).toEqual({ min: 20, max: 70 })
    expect(view.y[0]).toEqual({ min: 3.5, max: 8.5 })
    expect(moved(near, AXES, { axes: 'y', panel: 1 }, { x: 0.1, y: 0.2 })).toEqual({
      x: near.x,
      y: { ...near.y, 1: { min: 18, max: 28 } },
    })
  })

  it('is all of an axis again where nothing is left out, and never further than half beyond', () => {
    const near = zoomed(WHOLE, AXES, { axes: 'x' }, { x: 0.5, y: 0 }, 0.5)
    expect(zoomed(near, AXES, { axes: 'x' }, { x: 0.5, y: 0 }, 2).x).toBeNull()
    expect(zoomed(WHOLE, AXES, { axes: 'x' }, { x: 0.2, y: 0 }, 100).x).toEqual({ min: -50, max: 150 })
    expect(moved(near, AXES, { axes: 'x' }, { x: -9, y: 0 }).x).toEqual({ min: 100, max: 150 })
    expect(moved(near, AXES, { axes: 'x' }, { x: 9, y: 0 }).x).toEqual({ min: -50, max: 0 })
  })

  it('stays far enough away to tell numbers apart, and shows a power of ten at least', () => {
    const tiny = zoomed(WHOLE, AXES, BOTH, { x: 0.5, y: 0.5 }, 1e-15)
    expect((tiny.x?.max ?? 0) - (tiny.x?.min ?? 0)).toBeCloseTo(1e-7, 10)
    expect((tiny.y[2]?.max ?? 0) / (tiny.y[2]?.min ?? 1)).toBeCloseTo(10, 9)
  })

  it('comes along to a place that is out of sight', () => {
    const near = zoomed(WHOLE, AXES, BOTH, { x: 0.5, y: 0.5 }, 0.2)
    expect(revealed(near, AXES, 45)).toBe(near)
    expect(revealed(near, AXES, 80)).toEqual({ x: { min: 70, max: 90 }, y: near.y })
    expect(revealed(WHOLE, AXES, 500)).toBe(WHOLE)
    const log: DrawnAxes = { x: { min: 1, max: 10_000, isLogarithmic: true }, y: [] }
    const { x } = revealed({ x: { min: 1, max: 10 }, y: {} }, log, 1000)
    expect([x?.min, x?.max].map((end) => Math.log10(end ?? 0))).toEqual([2.5, 3.5])
  })

  it('is told axis by axis', () => {
    const view = { x: { min: 1, max: 2 }, y: { 1: { min: 3, max: 4 } } }
    const { x, y } = seenAxes(AXES, view)
    expect(x).toEqual({ min: 1, max: 2, isLogarithmic: false })
    expect(y.map(({ min, max }) => [min, max])).toEqual([
      [0, 10],
      [3, 4],
      [1, 10_000],
    ])
  })
})
