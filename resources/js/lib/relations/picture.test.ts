import { describe, expect, test } from 'vitest'
import { betweenOf, betweenText } from './between'
import { constantsText, pathOf, pictureOf, slideRange, strokesOf, ticksOf } from './picture'

const ROOM = { left: 10, right: 110, top: 0, bottom: 50 }
const plain = { across: (value: number) => value, up: (value: number) => -value }

describe('a picture of points and a curve', () => {
  test('shows all points on whole steps, upwards', () => {
    const { across, up, xRange, yRange } = pictureOf([0, 3, 9.4], [20, 55, 80], ROOM)
    expect([xRange.min, xRange.max, yRange.min, yRange.max]).toEqual([0, 10, 20, 80])
    expect([across(0), across(10), up(20), up(80)]).toEqual([10, 110, 50, 0])
    expect(ticksOf(xRange)).toEqual([0, 2, 4, 6, 8, 10])
    expect(ticksOf({ min: -0.3, max: 0.3, step: 0.1 })).toHaveLength(7)
  })

  test('draws a line, interrupted where there is no value', () => {
    expect(pathOf([0, 1, 2, 3, 4], [1, 2, null, 5.123456, NaN], plain)).toBe('M0 -1L1 -2M3 -5.12')
    expect(pathOf([0, 1], [1e9, 1], plain), 'What lies far outside is no endless number.').toBe('M0 -100000L1 -1')
    expect(pathOf([], [], plain)).toBe('')
  })

  test('enlarges what is left over to its room', () => {
    expect(strokesOf([1, 2, 3], [0.2, -0.4, 0], plain.across, 30, 20)).toBe('M1 30V20M2 30V50M3 30V30')
    expect(strokesOf([1], [0], plain.across, 30, 20)).toBe('M1 30V30')
    expect(strokesOf([1, 2], [3], plain.across, 30, 20), 'None is told of the second.').toBe('M1 30V10M2 30V30')
  })
})

describe('constants', () => {
  test('are told as the server reads them', () => {
    expect(constantsText({ a: 1.5, b: 0, k: -2e-9 })).toBe('a = 1.5; b = 0; k = -2e-9')
    expect(constantsText({})).toBe('')
  })

  test('are slid around what they are now', () => {
    expect(slideRange(5)).toEqual({ min: -5, max: 15, step: 0.1 })
    expect(slideRange(-5)).toEqual({ min: -15, max: 5, step: 0.1 })
    expect(slideRange(0)).toEqual({ min: -1, max: 1, step: 0.01 })
  })
})

test('an address tells which columns are looked at, and over which stretch', () => {
  expect(betweenOf(null)).toBeNull()
  expect(betweenOf('t,T')).toEqual({ x: 't', y: 'T' })
  expect(betweenOf('t,T,20,55.5')).toEqual({ x: 't', y: 'T', from: 20, to: 55.5 })
  expect(betweenOf('t,T,20')).toEqual({ x: 't', y: 'T' })
  for (const between of [
    { x: 't', y: 'T' },
    { x: 't', y: 'T', from: 0, to: 5 },
  ])
    expect(betweenOf(betweenText(between))).toEqual(between)
})
