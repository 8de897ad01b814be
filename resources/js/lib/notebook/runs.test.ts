import { describe, expect, it } from 'vitest'
import { run } from '../../testing/notebook'
import { amountWords, hasRows, latestRun, putInPlaceOf } from './runs'

const plan = { rate: 2, length: 60, begin: null, end: null }
const state = { plan, isWaiting: false, zero: 5, clockError: null, endedS: 60, endedBy: 'length' as const }

describe('runs', () => {
  it('have rows once something was read, or they began', () => {
    expect([run(1), run(1, { readingCount: 0 })].map(hasRows)).toEqual([true, false])
    expect(hasRows(run(1, { readingCount: 0, timed: state }))).toBe(true)
    expect(hasRows(run(1, { readingCount: 0, timed: { ...state, isWaiting: true } }))).toBe(false)
  })

  it('say how much there is of them', () => {
    expect(amountWords(run(1, { readingCount: 1 }))).toBe('1 reading')
    expect(amountWords(run(1, { timed: state }))).toBe('1 min')
    expect(amountWords(run(1, { timed: { ...state, endedS: 94.46 } }))).toBe('94.5 s')
    expect(amountWords(run(1, { state: 'open', timed: state }))).toBe('recording')
    expect(amountWords(run(1, { state: 'open', timed: { ...state, isWaiting: true } }))).toBe('waits')
  })

  it('are put in the place of another, wherever they come from', () => {
    const three = [run(4), run(5), run(6)]
    expect(putInPlaceOf(three, 4, 6)).toBeNull()
    expect(putInPlaceOf(three, 4, 5)).toBe(6)
    expect(putInPlaceOf(three, 6, 4)).toBe(4)
    expect(putInPlaceOf(three, 5, 4)).toBe(4)
  })

  it('know the one begun last, wherever it stands', () => {
    expect(latestRun([run(5), run(7), run(6)])?.id).toBe(7)
    expect(latestRun([])).toBeNull()
  })
})
