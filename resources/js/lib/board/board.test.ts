import { describe, expect, it } from 'vitest'
import { figure, column, notebook } from '../../testing/notebook'
import type { Board, LiveBench, LiveProbe } from '../api/types'
import { arranged, changed, columnColour, columnsOf, offeredColumns, swapped } from './tiles'
import { liveValue, reachOf, share, shownNumber, tableMoments, valueAt } from './values'

const BOARD: Board = {
  arrangement: 'three',
  tiles: [
    { shows: 'figure', columns: [] },
    { shows: 'readout', columns: ['pH'] },
    { shows: 'table', columns: [] },
  ],
}

const kinds = (board: Board) => board.tiles.map(({ shows }) => shows)

describe('tiles', () => {
  it('keep their order in another arrangement; a new place shows what is missing', () => {
    expect(kinds(arranged(BOARD, 'two'))).toEqual(['figure', 'readout'])
    expect(kinds(arranged(BOARD, 'four'))).toEqual(['figure', 'readout', 'table', 'level'])
    expect(kinds(arranged({ arrangement: 'one', tiles: [{ shows: 'level', columns: [] }] }, 'three'))).toEqual(['level', 'figure', 'readout']) // prettier-ignore
    expect(arranged(BOARD, 'two').tiles[1]?.columns).toEqual(['pH'])
    expect(BOARD.tiles).toHaveLength(3)
  })

  it('are put into each other’s place, and changed in theirs', () => {
    expect(kinds(swapped(BOARD, 0, 2))).toEqual(['table', 'readout', 'figure'])
    expect(swapped(BOARD, 0, 7)).toBe(BOARD)
    expect(kinds(changed(BOARD, 1, { shows: 'level', columns: [] }))).toEqual(['figure', 'level', 'table'])
  })

  it('show what they name, or what is measured', () => {
    const one = notebook()
    const measured = one.columns.filter(({ kind }) => kind === 'measured').map(({ symbol }) => symbol)
    expect(measured.length).toBeGreaterThan(0)
    expect(columnsOf({ shows: 'table', columns: [] }, one).map(({ symbol }) => symbol)).toEqual(measured)
    const many = notebook({ columns: ['a', 'b', 'c', 'd', 'e'].map((symbol) => column(symbol, { kind: 'measured' })) })
    expect(columnsOf({ shows: 'table', columns: [] }, many)).toHaveLength(4)
    expect(columnsOf({ shows: 'table', columns: ['nothing'] }, one).map(({ symbol }) => symbol)).toEqual(measured)
    const [step] = one.columns
    expect(columnsOf({ shows: 'table', columns: [step?.symbol ?? ''] }, one)).toEqual([step])
  })

  it('offer what can be shown: of a timed run only what is measured', () => {
    const columns = (['time', 'measured', 'derived', 'step'] as const).map((kind) => column(kind, { kind }))
    const stepwise = notebook({ columns })
    const timed = { ...stepwise, plan: { ...stepwise.plan, runKind: 'timed' as const } }
    const symbols = (of: typeof stepwise, shows: 'figure' | 'table') =>
      offeredColumns(shows, of, null).map(({ symbol }) => symbol)
    expect(symbols(stepwise, 'table')).toEqual(['measured', 'derived'])
    expect(symbols(timed, 'table')).toEqual(['measured'])
    expect(symbols(timed, 'figure')).toEqual([])
  })

  it('have the colours of the figure', () => {
    const one = notebook({
      figures: [figure('t', [['a', 'b'], ['c'], ['d']])],
    })
    const [run] = one.runs
    expect(run?.number).toBe(1)
    expect(['a', 'b', 'c', 'd'].map((symbol) => columnColour(one, run ?? null, symbol))).toEqual([
      'var(--run-1)',
      'var(--run-2)',
      'var(--derivative)',
      'var(--derivative-2)',
    ])
    expect(columnColour(one, null, 'elsewhere')).toBe('var(--run-1)')
    expect(columnColour(one, run === undefined ? null : { ...run, number: 4 }, 'b')).toBe('var(--run-1)')
  })
})

describe('values on a board', () => {
  const probe: LiveProbe = {
    id: 3,
    raw: 171.2,
    value: 4.1,
    state: 'steady',
    rawDriftPerMinute: 0,
    valueDriftPerMinute: 0,
    isMoving: false,
    rawScatter: 0,
    steadyForS: 4,
    secondsMore: null,
    recent: [], // prettier-ignore
  }
  const live: LiveBench = {
    benchId: 1, isConnected: true, madeAtMs: null, time: 7, revision: 'a', probes: [probe], timedRuns: [], notes: [],
  } // prettier-ignore
  const ph = column('pH', { unit: '', kind: 'measured', decimals: 2 })

  it('are live in the unit of their column only', () => {
    const channels = [{ symbol: 'pH', probeId: 3, unit: '' }]
    expect(liveValue(ph, channels, live)).toEqual({ value: 4.1, probe })
    expect(liveValue({ ...ph, isRaw: true }, channels, live).value).toBe(171.2)
    expect(liveValue({ ...ph, unit: 'mV' }, channels, live)).toEqual({ value: null, probe })
    expect(liveValue(ph, [], live)).toEqual({ value: null, probe: null })
    expect(liveValue(ph, [{ symbol: 'pH', probeId: 9, unit: '' }], live)).toEqual({ value: null, probe: null })
    expect(liveValue(ph, channels, null)).toEqual({ value: null, probe: null })
  })

  it('have the decimals of their column', () => {
    expect(shownNumber(4.1, ph)).toBe('4.10')
    expect(shownNumber(-4.126, { ...ph, decimals: null })).toBe('−4.13')
    expect(shownNumber(null, ph)).toBe('—')
  })

  it('are those nearest to a moment', () => {
    const line: [number, number][] = [[0, 1], [1, 2], [2, 3]] // prettier-ignore
    expect(valueAt(line, 1.4, 0.5)).toBe(2)
    expect(valueAt(line, 1.6, 0.5)).toBe(3)
    expect(valueAt(line, 2.5, 0.5)).toBe(3)
    expect(valueAt(line, 2.6, 0.5)).toBeNull()
    expect(valueAt([], 0, 1)).toBeNull()
  })

  it('are looked for among no more samples than a picture shows one by one', () => {
    expect(reachOf(10)).toBe(5)
    expect(reachOf(500)).toBe(0.8)
    expect(reachOf(0.1)).toBe(15)
  })

  it('stand in a table at whole steps that spread over the run', () => {
    expect(tableMoments(234, 1, 4, 1)).toEqual([210, 180, 150, 120])
    expect(tableMoments(7, 10, 6, 1)).toEqual([7, 6, 5, 4, 3, 2])
    expect(tableMoments(2.3, 10, 6, 1)).toEqual([2, 1, 0])
    expect(tableMoments(2.3, 10, 6, 0)[0]).toBeCloseTo(2.2)
    // Every 30 s nothing comes more often.
    expect(tableMoments(100, 1 / 30, 6, 1)).toEqual([90, 60, 30, 0])
    expect(tableMoments(-1, 10, 6, 0)).toEqual([])
    // A moment that a sum of tenths misses by a hair is there.
    expect(tableMoments(0.1 + 0.2, 10, 2, 0)[0]).toBeCloseTo(0.3)
  })

  it.each([0.1, 0.2, 0.5, 1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 1800, 3600, 7200])(
    'stand in a table every %d s where nothing comes more often',
    (step) => {
      expect(tableMoments(4 * step, 1 / step, 2, 0).map((moment) => Math.round((100 * moment) / step))).toEqual([
        400, 300,
      ])
    },
  )

  it('stand at the pace of what comes more slowly than any whole step', () => {
    expect(tableMoments(30_000, 1 / 10_000, 2, 0)).toEqual([30_000, 20_000])
  })

  it('do not stand in a table while more samples come than could be told apart', () => {
    expect(tableMoments(8, 500, 6, 1)).toEqual([])
    expect(tableMoments(8, 500, 6, 0)).toHaveLength(6)
    expect(tableMoments(600, 100, 6, 0)).toEqual([600, 599, 598, 597, 596, 595])
  })

  it('fill a bar from its least to its greatest', () => {
    expect(share(15, 10, 30)).toBe(0.25)
    expect(share(5, 10, 30)).toBe(0)
    expect(share(35, 10, 30)).toBe(1)
  })
})
