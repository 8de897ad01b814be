import { describe, expect, it } from 'vitest'
import { alongAxis, plotIn } from './plot'

const ROOM = { width: 800, height: 500 }

describe('a panel in a figure', () => {
  it('lies between its edges, told in px or as parts of the height', () => {
    expect(plotIn({ left: 70, right: 30, top: 40, bottom: 56 }, ROOM)).toEqual({
      left: 70,
      top: 40,
      width: 700,
      height: 404,
    })
    expect(plotIn({ left: 70, right: 30, top: '60%', height: '20.5%' }, ROOM)).toEqual({
      left: 70,
      top: 300,
      width: 700,
      height: 102.5,
    })
    expect(plotIn({ left: 0, right: 0, top: 0 }, ROOM).height, 'down to the edge').toBe(500)
  })

  it('has a place for each value along an axis, upwards too, and in powers of ten', () => {
    const right = alongAxis({ min: -5, max: 15, isLogarithmic: false }, 100, 300)
    expect([-5, 5, 15, 20].map(right)).toEqual([100, 200, 300, 350])
    const up = alongAxis({ min: 0, max: 4, isLogarithmic: false }, 400, 0)
    expect([0, 1, 4].map(up)).toEqual([400, 300, 0])
    const powers = alongAxis({ min: 0.01, max: 100, isLogarithmic: true }, 0, 400)
    expect([0.01, 0.1, 1, 100].map((value) => Math.round(powers(value) * 1e9) / 1e9)).toEqual([0, 100, 200, 400])
  })
})
