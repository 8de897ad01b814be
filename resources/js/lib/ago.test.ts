import { describe, expect, it } from 'vitest'
import { ago, dayAndTime } from './ago'

const NOW = new Date('2026-11-23T10:00:00')

describe('ago', () => {
  it.each([
    ['2026-11-23T09:59:58', '2 s ago'],
    ['2026-11-23T10:00:05', '0 s ago'],
    ['2026-11-23T09:45:00', '15 min ago'],
    ['2026-11-23T07:00:00', '3 h ago'],
    ['2026-11-22T09:00:00', 'yesterday'],
    ['2026-11-17T09:12:00', '6 days ago'],
  ])('says of %s that it was %s', (then, words) => {
    expect(ago(new Date(then), NOW)).toBe(words)
  })

  it('names the time of today', () => {
    expect(dayAndTime(new Date('2026-11-23T09:12:00'), NOW)).toBe('today 09:12')
    expect(dayAndTime(new Date('2026-11-20T09:12:00'), NOW)).toBe('3 days ago')
  })
})
