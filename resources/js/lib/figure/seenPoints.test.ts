import { describe, expect, it } from 'vitest'
import type { Point } from './drawn'
import { columnsFor, pointsWithShape, seenPoints } from './seenPoints'

const line = (count: number, y: (i: number) => number): Point[] => Array.from({ length: count }, (_, i) => [i, y(i)])

describe('the points that are seen', () => {
  it('are all of few, the very same', () => {
    const points = line(11, (i) => i * i)
    expect(seenPoints(points, { min: 0, max: 10 }, 500)).toBe(points)
  })

  it('are those within a range with a neighbour at each side, so that lines go on to the edge', () => {
    const points = line(11, (i) => i)
    expect(seenPoints(points, { min: 3.5, max: 5 }, 500)).toEqual([
      [3, 3],
      [4, 4],
      [5, 5],
      [6, 6],
    ])
    expect(seenPoints(points, { min: 4, max: 4 }, 500).map(([x]) => x)).toEqual([3, 4, 5])
    expect(seenPoints(points, { min: 20, max: 30 }, 500)).toEqual([[10, 10]])
    expect(seenPoints([], { min: 0, max: 1 }, 500)).toEqual([])
  })

  it('are of very many the first, lowest, highest and last in each px, so that no peak is lost', () => {
    const points = line(10_000, (i) => (i === 5003 ? 99 : i === 5007 ? -99 : Math.sin(i)))
    const seen = seenPoints(points, { min: 0, max: 9999 }, 100)
    expect(seen.length).toBeLessThanOrEqual(4 * 101)
    expect(seen.length).toBeGreaterThan(300)
    expect(seen).toContainEqual([5003, 99])
    expect(seen).toContainEqual([5007, -99])
    expect([seen[0], seen.at(-1)]).toEqual([points[0], points.at(-1)])
    const places = seen.map(([x]) => x)
    expect(places).toEqual([...places].sort((a, b) => a - b))
    expect(new Set(places).size).toBe(places.length)
  })

  it('are drawn in a column for each px, of many lines in fewer', () => {
    expect([columnsFor(1, 690.4), columnsFor(8, 690), columnsFor(20, 690), columnsFor(100, 690)]).toEqual([
      690, 375, 150, 150,
    ])
    expect([columnsFor(0, 690), columnsFor(20, 100), columnsFor(1, -3)]).toEqual([690, 100, 1])
    const moved = [1, 8, 20].map((lines) => columnsFor(lines, 690, true))
    expect(moved, 'half as many while a hand moves them').toEqual([690, 188, 75])
  })

  it('keep the gaps of a line', () => {
    const points = line(10_000, (i) => (i === 4321 ? NaN : 1))
    const seen = seenPoints(points, { min: 0, max: 9999 }, 10)
    expect(seen.filter(([, y]) => Number.isNaN(y))).toEqual([[4321, NaN]])
    const gap = seen.findIndex(([, y]) => Number.isNaN(y))
    expect([seen[gap - 1]?.[0], seen[gap + 1]?.[0]]).toEqual([4320, 4322])
  })

  it('have a shape here and there, the same ones when they are moved, others on the next line', () => {
    const points = line(600, (i) => i)
    const at = (min: number, number: number) => pointsWithShape(points, { min, max: min + 600 }, number).map(([x]) => x)

    expect(at(0, 0)).toEqual([100, 200, 300, 400, 500])
    expect(at(30, 0)).toEqual(at(0, 0))
    expect(at(0, 1)).toEqual([63, 163, 263, 363, 463, 563])
    const gap: Point[] = [
      [0, 1],
      [0, NaN],
      [150, 2],
    ]
    expect(pointsWithShape(gap, { min: 0, max: 600 }, 0)).toEqual([[150, 2]])
  })
})
