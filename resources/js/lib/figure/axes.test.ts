import { describe, expect, it } from 'vitest'
import { niceRange, niceStep } from './axes'

describe('axes', () => {
  it.each([
    [20, 5],
    [12, 2],
    [600, 100],
    [1, 0.2],
    [0.04, 0.01],
    [0, 1],
    [Number.NaN, 1],
  ])('divides a length of %d by steps of %d', (length, step) => {
    expect(niceStep(length)).toBeCloseTo(step, 12)
  })

  it('always holds the data and what it must show at least', () => {
    for (const values of [[3.2, 11.9], [-176, 180], [0.1], []]) {
      const { min, max, step } = niceRange(values, { min: 2, max: 12 })
      expect(Math.min(2, ...values)).toBeGreaterThanOrEqual(min)
      expect(Math.max(12, ...values)).toBeLessThanOrEqual(max)
      expect((max - min) / step).toBeCloseTo(Math.round((max - min) / step), 9)
    }
  })
})
