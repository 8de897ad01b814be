import { describe, expect, it } from 'vitest'
import { countOf, fixed, parseNumber, signed, typeset } from './format'

describe('numbers', () => {
  it.each([
    [5.2, 1, '5.2'],
    [-176.34, 1, '\u2212176.3'],
    [-0.004, 2, '0.00'],
    [9.75, 2, '9.75'],
  ])('writes %d with %d decimals as %s', (value, decimals, text) => {
    expect(fixed(value, decimals)).toBe(text)
  })

  it('shows a plus sign where a quantity can be negative, but none before zero', () => {
    expect([signed(4.1, 1), signed(-4.1, 1), signed(0.01, 1)]).toEqual(['+4.1', '\u22124.1', '0.0'])
  })

  it.each([
    ['9.75', 9.75],
    ['9,75', 9.75],
    [' 1 000 ', 1000],
    ['\u22120.5', -0.5],
    ['1e-3', 0.001],
    ['.5', 0.5],
  ])('reads "%s" as people type it', (text, value) => {
    expect(parseNumber(text)).toBe(value)
  })

  it.each(['', 'much', '9.7.5', '9,7,5', '5 mL', 'NaN', 'Infinity', '--1'])('refuses "%s"', (text) => {
    expect(parseNumber(text)).toBeNull()
  })

  it('says one reading and five readings', () => {
    expect([countOf(1, 'reading'), countOf(5, 'reading'), countOf(0, 'run')]).toEqual([
      '1 reading',
      '5 readings',
      '0 runs',
    ])
  })
})

describe('typeset', () => {
  it('gives a number of the server a real minus sign', () => {
    expect(typeset('-13.1')).toBe('\u221213.1')
    expect(typeset('98.7')).toBe('98.7')
  })
})
