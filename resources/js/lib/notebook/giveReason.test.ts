import { describe, expect, it } from 'vitest'
import { runRows } from '../../testing/notebook'
import type { Change, Row } from '../api/types'
import { giveReason } from './giveReason'

const row = (id: number, setAside: string | null): Row => ({
  id,
  number: id,
  step: null,
  texts: {},
  takenAt: '2026-11-03T09:00:00.000Z',
  wasSteady: true,
  setAside,
  cells: {},
})

describe('a change given its reason', () => {
  const foreseen: Change = {
    revision: 8,
    made: null,
    changed: [],
    worked: [],
    rows: [runRows(3, [row(1, 'not said yet'), row(2, 'probe was touched'), row(3, null)])],
    changesCells: false,
    stages: null,
    undo: 'Set a reading of Run 1 aside: not said yet',
    redo: null,
    said: null,
  }

  it('says it where the other one stood, and nowhere else', () => {
    const given = giveReason(foreseen, 'not said yet', 'cost $& more')
    expect(given.rows[0]?.rows.map(({ setAside }) => setAside)).toEqual(['cost $& more', 'probe was touched', null])
    expect(given.undo).toBe('Set a reading of Run 1 aside: cost $& more')
    expect(giveReason({ ...foreseen, undo: null }, 'not said yet', 'x').undo).toBeNull()
  })
})
