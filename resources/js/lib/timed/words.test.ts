import { describe, expect, it } from 'vitest'
import { column } from '../../testing/notebook'
import type { RunEvent } from '../api/types'
import {
  beginWords,
  clockErrorWords,
  clockWords,
  durationWords,
  endWords,
  eventWords,
  plainNumber,
  rateWords,
  secondsIn,
} from './words'

const COLUMNS = [
  column('p', { kind: 'measured', shownName: 'Pressure', unit: 'kPa' }),
  column('pH', { kind: 'measured', shownName: 'pH', unit: 'pH' }),
]

describe('a timed run in words', () => {
  it.each([
    [1, 'once a second'],
    [2, 'twice a second'],
    [200, '200 times a second'],
    [2.5, '2.5 times a second'],
    [1.5, '1.5 times a second'],
    [0.5, 'every 2 s'],
    [1 / 60, 'every 1 min'],
  ])('%d Hz is %s', (rate, words) => {
    expect(rateWords(rate)).toBe(words)
  })

  it.each([
    [0.0034, '4 ms'],
    [0.012, '12 ms'],
    [0.00002, '1 ms'],
  ])('clocks that are %d s apart at most are said to be so to %s', (seconds, words) => {
    expect(clockErrorWords(seconds)).toBe(words)
  })

  it.each([
    [8, '8 s'],
    [45.5, '45.5 s'],
    [60, '1 min'],
    [90, '90 s'],
    [150, '2.5 min'],
    [600, '10 min'],
    [3600, '1 h'],
    [5400, '1 h 30 min'],
  ])('%d s are %s', (seconds, words) => {
    expect(durationWords(seconds)).toBe(words)
  })

  it.each([
    [0, '0.0 s'],
    [9.94, '9.9 s'],
    [10, '0:10'],
    [75.9, '1:15'],
    [3600, '1:00:00'],
    [3725, '1:02:05'],
    [-2, '−2.0 s'],
  ])('%d s stand as %s', (seconds, words) => {
    expect(clockWords(seconds)).toBe(words)
  })

  it('says what is waited for, with the unit of its column', () => {
    const said = (event: RunEvent) => eventWords(event, COLUMNS)
    expect(said({ when: 'above', column: 'p', level: 99 })).toBe('pressure rises above 99 kPa')
    expect(said({ when: 'below', column: 'pH', level: 4.25 })).toBe('pH falls below 4.25')
    expect(said({ when: 'change', column: 'p', level: 2, within: 0.5 })).toBe('pressure changes by 2 kPa within 0.5 s')
    expect(said({ when: 'steady', column: 'p' })).toBe('pressure is steady')
    expect(said({ when: 'marker' })).toBe('the marker is pressed')
    expect(said({ when: 'above', column: 'gone', level: 1 })).toBe('gone rises above 1')
  })

  it('says how it begins and ends', () => {
    const begin = { when: 'above' as const, column: 'p', level: 99, before: 2 }
    expect(beginWords({ rate: 1, begin: null }, COLUMNS)).toBe('at once')
    expect(beginWords({ rate: 1, begin }, COLUMNS)).toBe('when pressure rises above 99 kPa, keeping 2 s before')
    expect(beginWords({ rate: 1, begin: { ...begin, before: 0 } }, COLUMNS)).toBe('when pressure rises above 99 kPa')
    const end = { when: 'steady' as const, column: 'p' }
    expect(endWords({ rate: 1, length: null }, COLUMNS)).toBe('when it is stopped')
    expect(endWords({ rate: 1, length: 60 }, COLUMNS)).toBe('after 1 min')
    expect(endWords({ rate: 1, length: null, end }, COLUMNS)).toBe('when pressure is steady')
    expect(endWords({ rate: 1, length: 60, end }, COLUMNS)).toBe('when pressure is steady, after 1 min at the latest')
  })

  it('knows units of time, and numbers as a person writes them', () => {
    expect(['s', 'min', 'h', 'ms', 'fortnight'].map(secondsIn)).toEqual([1, 60, 3600, 0.001, 1])
    expect([0.5, 2, 12.25, 100, -3].map(plainNumber)).toEqual(['0.5', '2', '12.25', '100', '−3'])
  })
})
