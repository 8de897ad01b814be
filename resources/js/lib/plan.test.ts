import { describe, expect, it } from 'vitest'
import { comingWords, planWords } from './plan'

describe('plans in words', () => {
  it('tells what comes after the next step', () => {
    expect(comingWords([9.75, 10, 10.25, 11, 12])).toBe('then 10.00, 10.25 … 12.00 mL')
    expect(comingWords([9.75, 10])).toBe('then 10.00 mL')
    expect(comingWords([9.75])).toBeNull()
    expect(comingWords([])).toBeNull()
  })

  it('tells a whole plan', () => {
    expect(
      planWords([
        { from: 0, to: 9, step: 0.5 },
        { from: 9.25, to: 12, step: 0.25 },
        { from: 13, to: 20, step: 1 },
      ]),
    ).toBe('0 to 9 mL by 0.5, to 12 mL by 0.25, to 20 mL by 1')
  })
})
