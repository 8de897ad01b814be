import { describe, expect, it } from 'vitest'
import { TEST_INK } from '../../testing/notebook'
import { runColour, runShape, SHAPES } from './ink'

describe('colours and shapes of runs', () => {
  it('go round in order, beginning with the first', () => {
    expect([1, 2, 3, 4, 5, 6].map((number) => runColour(TEST_INK, number))).toEqual([
      ...TEST_INK.runs,
      TEST_INK.runs[0],
      TEST_INK.runs[1],
    ])
    expect([1, 2, 3, 4, 5].map(runShape)).toEqual([...SHAPES, 'diamond'])
  })

  it('tell sixteen runs apart', () => {
    const numbers = Array.from({ length: 16 }, (_, i) => i + 1)
    const looks = numbers.map((number) => `${runColour(TEST_INK, number)} ${runShape(number)}`)
    expect(new Set(looks).size).toBe(16)
  })

  it('fall back on ink where there is no colour', () => {
    expect(runColour({ ...TEST_INK, runs: [] }, 1)).toBe(TEST_INK.text)
  })
})
