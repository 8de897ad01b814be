import { describe, expect, it } from 'vitest'
import { row, runRows } from '../../testing/notebook'
import type { Row } from '../api/types'
import { completed } from './completed'

const values = (rows: Row[] | undefined) =>
  rows?.map(({ cells }) => Object.entries(cells).map(([symbol, cell]) => [symbol, cell?.value]))
const typed = (only: string[] | null) => ({
  rowCount: 250,
  isThinned: true,
  asideCount: 0,
  only,
  feet: [],
  blanks: [],
  unreadable: [],
  unreadableCount: 0,
})
const known = runRows(3, [row(1, null, { t: 0, T: 20 }, { setAside: 'draught' }), row(126, null, { t: 125, T: 21 })], {
  typed: typed(null),
})

describe('rows that are told in part', () => {
  const part = runRows(3, [row(1, null, { T: 24 }), row(126, null, {}, { cells: { T: null } })], {
    typed: typed(['T']),
  })

  it('have the other cells as they were known, and all else as it is told', () => {
    const now = completed(known, part)
    expect(values(now?.rows)).toEqual([
      [
        ['t', 0],
        ['T', 24],
      ],
      [
        ['t', 125],
        ['T', undefined],
      ],
    ])
    expect(now?.rows[0]?.setAside).toBeNull()
    expect(now?.typed?.only).toBeNull()
  })

  it('are nothing to show where the others are not known', () => {
    expect(completed(undefined, part)).toBeUndefined()
    expect(completed(runRows(3, [], { typed: typed(null) }), part)).toBeUndefined()
  })

  it('are taken as they are where all is told', () => {
    const whole = runRows(3, [], { typed: typed(null) })
    expect(completed(known, whole)).toBe(whole)
    const measured = runRows(3, [])
    expect(completed(known, measured)).toBe(measured)
  })
})
