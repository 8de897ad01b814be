import { describe, expect, it } from 'vitest'
import { measured } from '../../testing/examples'
import { run } from '../../testing/notebook'
import type { RunsColumn, RunsTable } from '../api/types'
import {
  byCondition,
  cellOf,
  cellText,
  commonCell,
  conditionsText,
  isBy,
  nextOrder,
  ordered,
  runsHead,
  runsText,
  scatterText,
} from './runsTable'

const RUNS = [
  { ...run(1), condition: 'half', trial: 2, name: 'half trial 2' },
  { ...run(2), condition: 'full', trial: 1, name: 'full trial 1' },
  { ...run(3), condition: 'half', trial: 1, name: 'half trial 1' },
  { ...run(4), condition: null, trial: null },
]
const group = (condition: string | null, n: number, mean: number, percent: number | null) => ({
  condition,
  n,
  mean,
  meanShown: String(mean),
  sd: n > 1 ? 0.2 : null,
  standardError: n > 1 ? 0.1 : null,
  range: 0.3,
  halfRange: 0.15,
  percent,
  shown: percent === null ? {} : { percent: String(percent) },
})
const column = (symbol: string, change: Partial<RunsColumn> = {}): RunsColumn => ({
  symbol,
  title: symbol,
  kind: 'line',
  unit: 'g/s',
  doubt: null,
  groups: [],
  ...change,
})
const R = column('r', { groups: [group('half', 2, 6.5, 7), group('full', 1, 11, null)] })
const TABLE: RunsTable = {
  columns: [column('c', { kind: 'entry', unit: 'mol/L' }), R],
  rows: [
    { runId: 1, cells: { c: measured(0.02, 0.2, ''), r: measured(6, 0.2, '') } },
    { runId: 2, cells: { c: measured(0.04, 0.2, ''), r: measured(11, 0.2, '') } },
    { runId: 3, cells: { c: measured(0.02, 0.2, ''), r: measured(7, 0.2, '') } },
    { runId: 4, cells: { c: null, r: null } },
  ],
}
const numbers = (runs: readonly { number: number }[]) => runs.map(({ number }) => number)

describe('the runs table', () => {
  it('heads its columns with symbol and unit', () => {
    expect([runsHead(R), runsHead(column('n', { unit: '' })), runsHead(column('V', { unit: 'mL^2' }))]).toEqual([
      'r / (g/s)',
      'n',
      'V / mL²',
    ])
  })

  it('is ordered up, then down, then as it stands; what has no value comes last', () => {
    const first = nextOrder({ by: 'place' }, { symbol: 'r' })
    expect(first).toEqual({ by: 'column', symbol: 'r', isDown: false })
    expect(numbers(ordered(RUNS, TABLE, first))).toEqual([1, 3, 2, 4])
    const second = nextOrder(first, { symbol: 'r' })
    expect(numbers(ordered(RUNS, TABLE, second))).toEqual([2, 3, 1, 4])
    expect(nextOrder(second, { symbol: 'r' })).toEqual({ by: 'place' })
    expect(nextOrder(second, { symbol: 'c' })).toEqual({ by: 'column', symbol: 'c', isDown: false })
    expect(numbers(ordered(RUNS, TABLE, nextOrder(second, 'condition')))).toEqual([2, 1, 3, 4])
    expect(numbers(ordered(RUNS, TABLE, { by: 'trial', isDown: true }))).toEqual([1, 2, 3, 4])
    expect(numbers(ordered(RUNS, TABLE, { by: 'place' }))).toEqual([1, 2, 3, 4])
    expect([isBy(first, { symbol: 'r' }), isBy(first, { symbol: 'c' }), isBy(first, 'trial')]).toEqual([
      true,
      false,
      false,
    ])
    expect(isBy({ by: 'trial', isDown: true }, 'trial')).toBe(true)
    const amounts = ['10 mL', '9 mL', '100 mL'].map((condition, i) => ({ ...run(i + 1), condition }))
    expect(numbers(ordered(amounts, TABLE, { by: 'condition', isDown: false })), 'By the number in words.').toEqual([
      2, 1, 3,
    ])
  })

  it('takes the runs of a condition together, in the order of their trials', () => {
    expect(byCondition(RUNS).map(({ condition, runs }) => [condition, numbers(runs)])).toEqual([
      ['half', [3, 1]],
      ['full', [2]],
      [null, [4]],
    ])
  })

  it('tells what the runs of a condition have alike', () => {
    const [half = { runs: [] }] = byCondition(RUNS)
    expect(commonCell(TABLE, half.runs, 'c')?.value).toBe(0.02)
    expect(commonCell(TABLE, half.runs, 'r')).toBeNull()
    expect(commonCell(TABLE, [], 'c')).toBeNull()
    expect(cellOf(TABLE, 9, 'c')).toBeNull()
    expect([cellText(null), cellText(measured(6, 0.2, 'g', 1))]).toEqual(['—', '6.0 ± 0.2'])
  })

  it('says which condition scatters most, where there are two to compare', () => {
    expect(scatterText(R)).toBe('')
    const two = column('r', { groups: [group('half', 2, 6.5, 7), group('full', 3, 11, 2), group(null, 1, 3, 90)] })
    expect(scatterText(two)).toBe('“half” scatters most: half its range is 7 % of its mean.')
  })

  it('leaves as text with tabs, all digits, one row a run or a condition', () => {
    expect(runsText(RUNS.slice(0, 2), TABLE).split('\n')).toEqual([
      'Run\tCondition\tTrial\tc / (mol/L)\tr / (g/s)',
      'half trial 2\thalf\t2\t0.02\t6',
      'full trial 1\tfull\t1\t0.04\t11',
    ])
    expect(conditionsText(byCondition(RUNS), TABLE, R).split('\n')).toEqual([
      'Condition\tc / (mol/L)\tr / (g/s), trial 1\tr / (g/s), trial 2\tmean\tsd\tstandard error\trange\thalf-range\tpercent',
      'half\t0.02\t7\t6\t6.5\t0.2\t0.1\t0.3\t0.15\t7',
      'full\t0.04\t11\t\t11\t\t\t\t\t',
      '\t\t\t\t\t\t\t\t\t',
    ])
  })
})
