import { describe, expect, it } from 'vitest'
import { rSquaredText, TILE, tileOf } from './tile'

describe('a small picture of a way', () => {
  it('puts points and line in its room, and what is left over beneath, enlarged', () => {
    const { points, line, rest } = tileOf({
      x: [10, 15, 20],
      y: [0, 60, 100],
      line: [
        [10, 0],
        [20, 100],
      ],
      residuals: [0, 10, -5],
    })
    const [left, right, top, bottom] = [TILE.edge, TILE.width - TILE.edge, TILE.plotTop + 10, TILE.plotBottom - 10]
    expect(points).toEqual([
      [left, bottom],
      [(left + right) / 2, bottom - 0.6 * (bottom - top)],
      [right, top],
    ])
    expect(line).toEqual([
      [left, bottom],
      [right, top],
    ])
    expect(rest.map(({ x }) => x)).toEqual([left, (left + right) / 2, right])
    expect(rest.map(({ to }) => to)).toEqual([
      TILE.restMiddle,
      TILE.restMiddle - TILE.restHalf,
      TILE.restMiddle + TILE.restHalf / 2,
    ])
  })

  it('has room for a line that reaches beyond the points, and for points that are all alike', () => {
    const steep = tileOf({
      x: [1, 2],
      y: [5, 5],
      line: [
        [1, 0],
        [2, 10],
      ],
      residuals: [0, 0],
    })
    expect(steep.line[0][1]).toBe(TILE.plotBottom - TILE.edge)
    expect(steep.points[0]?.[1]).toBe((TILE.plotTop + TILE.plotBottom) / 2)
    expect(steep.rest.every(({ to }) => to === TILE.restMiddle)).toBe(true)
    const flat = tileOf({
      x: [3, 3],
      y: [5, 5],
      line: [
        [3, 5],
        [3, 5],
      ],
      residuals: [1, -1],
    })
    expect(flat.points[0]).toEqual([TILE.width / 2, (TILE.plotTop + TILE.plotBottom) / 2])
  })

  it('writes R² so that what is left of it can be seen', () => {
    expect([0.861, 0.9998, 0.99963, 0.99999912, 1, 0.5, 1 - 2e-10, 1 - 5e-11].map(rSquaredText)).toEqual([
      '0.861',
      '0.9998',
      '0.9996',
      '0.9999991',
      '1',
      '0.500',
      '0.9999999998',
      '1',
    ])
  })
})
