import { describe, expect, it } from 'vitest'
import { measured } from '../../testing/examples'
import type { PointNumbers } from '../api/types'
import { pointRows } from './pointRows'

const line = (method: string, numbers: Record<string, number>, problem: string | null = null) => ({
  method,
  texts: {},
  numbers: Object.entries(numbers).map(([name, value]) => ({
    name,
    words: name,
    measured: measured(value, 0.1, 'mm', 1),
  })),
  problem,
})

describe('numbers of a place', () => {
  it('are told by a word each, with what belongs to them', () => {
    const told: PointNumbers = {
      x: 't',
      y: 'h',
      at: 4,
      marks: [],
      lines: [
        line('value-at', { value: 8 }),
        line('tangent', { slope: 4, y: 8 }),
        line('difference', { dy: -42, dx: -6 }),
        line('x-at', { x: 3 }),
        line('x-at', {}, 'The points never reach this y.'),
      ],
    }
    expect(pointRows(told, '5 mm').map(({ word, value, beside }) => [word, value, ...beside])).toEqual([
      ['value', '8.0 ± 0.1 mm'],
      ['tangent', '4.0 ± 0.1 mm'],
      ['change', '−42.0 ± 0.1 mm', 'over −6.0 ± 0.1 mm'],
      ['where h is 5 mm', '3.0 ± 0.1 mm'],
    ])
  })

  it('say why there is none, and leave out what has no word', () => {
    const told: PointNumbers = {
      x: 't',
      y: 'h',
      at: 4,
      marks: [],
      lines: [line('tangent', {}, 'Too few.'), line('slope', {})],
    }
    expect(pointRows(told)).toEqual([
      { word: 'tangent', value: '', beside: [], problem: 'Too few.', method: 'tangent' },
    ])
  })
})
