import { describe, expect, it } from 'vitest'
import { BATH, VOLUME } from '../testing/notebook'
import { comingWords, planWords } from './plan'

describe('the steps of a run in words', () => {
  it('tells ranges, finer where they are', () => {
    const ranges = [
      { from: 0, to: 9, step: 0.5 },
      { from: 9, to: 12, step: 0.25 },
    ]
    expect(planWords({ ranges }, VOLUME)).toBe('0 to 9 mL by 0.5, to 12 mL by 0.25')
    expect(planWords({ ranges: [{ from: 50, to: 20, step: 10 }] }, VOLUME)).toBe('50 to 20 mL by 10')
  })

  it('tells single steps, words, and none', () => {
    expect(planWords({ steps: [0, 0.2] }, VOLUME)).toBe('0 mL, 0.2 mL')
    expect(planWords({ steps: ['cold bath', 'room'] }, BATH)).toBe('cold bath, room')
    expect(planWords({}, VOLUME)).toBe('typed as one goes')
    expect(planWords({ ranges: [] }, VOLUME)).toBe('typed as one goes')
  })

  it.each([
    [[1], null],
    [[1, 2], 'then 2.00 mL'],
    [[1, 2, 3], 'then 2.00, 3.00 mL'],
    [[1, 2, 3, 4], 'then 2.00, 3.00 … 4.00 mL'],
  ])('tells what comes after the next of %j', (remaining, words) => {
    expect(comingWords(remaining, VOLUME)).toBe(words)
  })

  it('tells words that come without a unit', () => {
    expect(comingWords(['cold', 'room', 'warm', 'hot'], BATH)).toBe('then room, warm … hot')
  })
})
