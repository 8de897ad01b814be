import { describe, expect, it } from 'vitest'
import { measured } from '../../testing/examples'
import { column, figure, notebook, run } from '../../testing/notebook'
import type { RunsTable } from '../../lib/api/types'
import { runsColumns } from '../../lib/notebook/runsTable'
import { isOfRuns, runsCaption, runsInput } from './runsInput'

const RUNS = [
  { ...run(1), condition: 'full', trial: 1, name: 'full trial 1' },
  { ...run(2), condition: 'half', trial: 1, name: 'half trial 1' },
  { ...run(3), condition: 'full', trial: 2, name: 'full trial 2', aside: 'stopper was loose' },
]
const TABLE: RunsTable = {
  columns: [
    { symbol: 'c', title: 'Strength', kind: 'entry', unit: 'mol/L', doubt: null, groups: [] },
    { symbol: 'slope1', title: 'Slope', kind: 'line', unit: 'g/s', doubt: null, groups: [] },
  ],
  rows: RUNS.map(({ id }) => ({
    runId: id,
    cells: { c: measured(id / 100, 0, 'mol/L'), slope1: id === 2 ? null : measured(id, 0.1, 'g/s') },
  })),
}
const FIGURE = figure('c', [['slope1']])
const base = notebook({ columns: [column('t'), column('m')], runs: RUNS })

describe('a figure of the runs', () => {
  it('is one whose x is no column of the rows', () => {
    expect([isOfRuns(base, FIGURE), isOfRuns(base, figure('t', [['m']])), isOfRuns(base, undefined)]).toEqual([
      true,
      false,
      false,
    ])
  })

  it('draws a point a run, told apart by condition, hollow where it is set aside', () => {
    const input = runsInput(base, FIGURE, [], TABLE)
    expect(input?.runs.map(({ name, rows }) => [name, rows.map(({ id, setAside }) => [id, setAside])])).toEqual([
      [
        'full',
        [
          [1, null],
          [3, 'stopper was loose'],
        ],
      ],
      ['half', [[2, null]]],
    ])
    expect(input?.runs[0]?.rows[0]?.cells).toEqual({
      c: { value: 0.01, uncertainty: 0, shown: '0.01' },
      slope1: { value: 1, uncertainty: 0.1, shown: '1.00' },
    })
    expect(input?.runs[1]?.rows[0]?.cells.slope1).toBeNull()
    expect(input?.drawing?.points).toBe('apart')
    expect(runsInput(base, figure('gone', [['slope1']]), [], TABLE)).toBeNull()
    expect(runsInput(base, figure('c', [['gone']]), [], TABLE)).toBeNull()
  })

  it('is named by titles, and by a symbol that was made of one only once', () => {
    expect(runsColumns(TABLE).map(({ shownName }) => shownName)).toEqual(['Strength', 'slope1'])
    expect(runsCaption(base, FIGURE, TABLE)).toBe(
      'Figure 1. Slope against strength c; 3 runs in 2 conditions, 1 set aside (hollow, full trial 2: stopper was loose).',
    )
    expect(runsCaption(base, { ...FIGURE, caption: 'Mine.' }, TABLE)).toBe('Figure 1. Mine.')
  })
})
