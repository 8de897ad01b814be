import { describe, expect, it } from 'vitest'
import { TEST_INK } from '../../testing/notebook'
import {
  axis,
  extentOf,
  niceRange,
  niceStep,
  powerText,
  restRange,
  tightRange,
  wishedRange,
  type AxisWish,
} from './axes'

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

  it.each([
    [[-5, 5], { min: -6, max: 6, step: 2 }],
    [[20], { min: 19, max: 21, step: 0.5 }],
    [[-20], { min: -21, max: -19, step: 0.5 }],
    [[0], { min: -1, max: 1, step: 0.5 }],
    [[], { min: 0, max: 1, step: 0.2 }],
    [[0, 10], { min: 0, max: 10, step: 2 }],
  ])('takes whole steps around %j', (values, range) => {
    const made = niceRange(values, null)
    expect(made.min).toBeCloseTo(range.min, 12)
    expect(made.max).toBeCloseTo(range.max, 12)
    expect(made.step).toBeCloseTo(range.step, 12)
  })

  it.each([
    [0.25, 0.5, '0.50'],
    [0.1, 0.3, '0.3'],
    [2, 4, '4'],
    [2.5, 5, '5.0'],
    [1e-3, 0.002, '0.002'],
  ])('tells numbers in steps of %d with the digits they need', (step, value, text) => {
    expect(axis(TEST_INK, '', { min: 0, max: 1, step }, 30).axisLabel.formatter(value)).toBe(text)
  })

  it('takes narrower steps where little is to be left empty', () => {
    expect(tightRange([-2, 90], { min: -2, max: 180 })).toEqual({ min: -20, max: 180, step: 20 })
    expect(tightRange([0, 8], null)).toEqual({ min: 0, max: 8, step: 1 })
  })

  it('leaves room about what only jumps between its last digits', () => {
    const jumping = (...digits: number[]) => Array.from({ length: 40 }, (_, i) => digits[i % digits.length] ?? 0)
    const room = (values: number[]) => {
      const range = restRange(values)
      return range === null ? null : [range.min, range.max].map((end) => Number(end.toFixed(6)))
    }
    expect(room(jumping(21.4, 21.5))).toEqual([20.95, 21.95])
    expect(room(jumping(21.4, Math.fround(21.4), 21.5, 21.7, NaN))).toEqual([21.05, 22.05])
    expect(room(jumping(-3, -5, -4))).toEqual([-9, 1])
    expect(room(jumping(21.4)), 'one value has room already').toBeNull()
    expect(room(jumping(...Array.from({ length: 11 }, (_, i) => i)))).toBeNull()
    expect(room(jumping(0, 1, 10)), 'it moves').toBeNull()
    expect(room(jumping(0, 1, 9))).toEqual([-0.5, 9.5])
    expect(room([21.4, 21.5, 21.4]), 'few may be all there are').toBeNull()
    expect(room(Array.from({ length: 400 }, (_, i) => Math.sin(i)))).toBeNull()
  })

  it('finds both ends of however many values', () => {
    expect(extentOf([3, -2, 7])).toEqual({ min: -2, max: 7 })
    expect(extentOf([4])).toEqual({ min: 4, max: 4 })
    expect(extentOf([])).toBeNull()
  })

  const usual = (values: Iterable<number>) => niceRange(values, null)
  const wish = (change: Partial<AxisWish>): AxisWish => ({ scale: 'linear', from: null, to: null, ...change })

  it.each([
    [wish({}), [2, 11], { min: 2, max: 12 }],
    [wish({ from: 0 }), [2, 11], { min: 0, max: 12 }],
    [wish({ to: 20 }), [2, 11], { min: 0, max: 20 }],
    [wish({ from: 3, to: 7 }), [2, 11], { min: 3, max: 7 }],
    // What lies outside counts no more for the other end.
    [wish({ to: 5 }), [2, 3, 900], { min: 2, max: 5 }],
    [wish({ from: 100 }), [2, 11], { min: 100, max: 106 }],
  ])('begins and ends where it is wished: %o of %o', (wished, values, range) => {
    expect(wishedRange(values, wished, usual)).toMatchObject(range)
  })

  it.each([
    [wish({ scale: 'log' }), [0.02, 350], { min: 0.01, max: 1000 }],
    [wish({ scale: 'log' }), [1, 100], { min: 1, max: 100 }],
    [wish({ scale: 'log' }), [-5, 0, 30], { min: 10, max: 100 }],
    [wish({ scale: 'log' }), [10], { min: 10, max: 100 }],
    [wish({ scale: 'log' }), [], { min: 1, max: 10 }],
    [wish({ scale: 'log', from: 2 }), [3, 50], { min: 2, max: 100 }],
    [wish({ scale: 'log', to: 40 }), [3, 50], { min: 1, max: 40 }],
    [wish({ scale: 'log', from: 500 }), [3, 50], { min: 500, max: 1000 }],
  ])('by powers of ten holds what is above zero: %o of %o', (wished, values, range) => {
    const found = wishedRange(values, wished, usual)
    expect(found.min).toBeCloseTo(range.min, 12)
    expect(found.max).toBeCloseTo(range.max, 12)
    expect(axis(TEST_INK, 'c', found, 0)).toMatchObject({ type: 'log', min: found.min, max: found.max })
    expect(axis(TEST_INK, 'c', found, 0)).not.toHaveProperty('interval')
  })

  it.each([
    [1, '1'],
    [1000, '1000'],
    [0.001, '0.001'],
    [1e4, '10⁴'],
    [1e-12, '10⁻¹²'],
    [250, '250'],
  ])('writes %d as %s', (value, text) => {
    expect(powerText(value)).toBe(text)
  })
})
