import { describe, expect, it } from 'vitest'
import { row, runRows } from '../../testing/notebook'
import { isThinned, withNear } from './nearRows'

describe('rows of a stretch that is looked at', () => {
  const known = runRows(3, [row(1, null, { t: 0 }), row(9, null, { t: 8 }, { setAside: 'draught' })])

  it('come to those that are known, each once', () => {
    const near = withNear(known, { rows: [row(8, null, { t: 7 }), row(9, null, { t: 8 }), row(10, null, { t: 9 })] })
    expect(near.rows.map(({ id }) => id)).toEqual([1, 9, 8, 10])
    expect(near.rows[1]?.setAside).toBe('draught')
    expect(near.id).toBe(3)
  })

  it('are the very same where all are known', () => {
    expect(withNear(known, { rows: [row(9, null, { t: 8 })] })).toBe(known)
  })

  it('are there only of runs that are told in part', () => {
    const typed = { isThinned: true } as NonNullable<typeof known.typed>
    const timed = { rowCount: 9000, isThinned: true }
    expect([isThinned(known), isThinned({ typed, timed: null }), isThinned({ typed: null, timed })]).toEqual([
      false,
      true,
      true,
    ])
    expect(isThinned({ typed: { ...typed, isThinned: false }, timed: null })).toBe(false)
  })
})
