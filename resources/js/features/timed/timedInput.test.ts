import { describe, expect, it } from 'vitest'
import { figure as figured, column, run } from '../../testing/notebook'
import { roomFor, timedInput, timedPanels, type TimedSource } from './timedInput'
import { timedNow } from './timedState'

const T = column('t', { kind: 'time', unit: 's', shownName: 'Time' })
const P = column('p', { kind: 'measured', role: 'pressure', unit: 'kPa' })
const R = column('r', { kind: 'measured', role: 'pressure', unit: 'V', isRaw: true })
const probe = { id: 7, kind: 'pressure-sensor', title: 'Pressure', serial: 'H-1', bench: { id: 1, name: 'Hazel' } }
const channel = { role: 'pressure', isBeside: false, probe, unit: 'kPa', calibration: null, isWorkedOutAgain: false }
const plan = { rate: 10, length: 60, begin: { when: 'above' as const, column: 'p', level: 99, before: 2 }, end: null }

function source(change: Partial<TimedSource> = {}): TimedSource {
  return {
    time: T,
    panels: [[P], [R]],
    runs: [run(1), run(2)],
    inHand: 2,
    points: [
      { from: 0, to: 5, lines: { p: [[0, 100]], r: [[0, 2]] } },
      { from: -2, to: 4, lines: { p: [[-2, 98], [4, 101]], r: [[4, 2.1]] } }, // prettier-ignore
    ],
    channels: [channel],
    tail: new Map([[7, [[4.2, 102]]]]), // prettier-ignore
    markers: [{ id: 1, at: 3, row: null, name: 'stirred' }],
    plan,
    reached: 4,
    hasEnded: false,
    newest: null,
    ...change,
  }
}

describe('a figure against time', () => {
  it('draws the panels of the first figure against time, or each measured column by itself', () => {
    const figure = figured('t', [['p', 'q'], ['q']])
    const columns = [T, P, R, column('q', { kind: 'derived' })]
    expect(timedPanels(columns, [{ ...figure, x: 'p' }, figure])?.panels).toEqual([[P]])
    expect(timedPanels(columns, [])?.panels).toEqual([[P], [R]])
    expect(timedPanels([P], [figure])).toBeNull()
    expect(timedPanels([T], [figure])).toBeNull()
  })

  it('goes on live where the unit is that of the screen, in the run in hand alone', () => {
    const [earlier, current] = timedInput(source()).runs
    expect(earlier).toMatchObject({ isFaint: true, lines: { p: [[0, 100]] } })
    expect(current?.isFaint).toBe(false)
    expect(current?.lines?.p).toEqual([[-2, 98], [4, 101], [4.2, 102]]) // prettier-ignore
    expect(current?.lines?.r).toEqual([[4, 2.1]])
  })

  it('goes on with the values of its own probe where two give the same unit', () => {
    const Q = column('q', { kind: 'measured', role: 'other pressure', unit: 'kPa' })
    const other = { ...channel, role: 'other pressure', probe: { ...probe, id: 8, serial: 'H-2' } }
    const unused = { ...channel, role: null, probe: { ...probe, id: 9, serial: 'H-3' } }
    const tail = new Map([[7, [[4.2, 102]]], [8, [[4.2, 55]]], [9, [[4.2, 1]]]]) as TimedSource['tail'] // prettier-ignore
    const points = [null, { from: 0, to: 4, lines: { p: [[4, 101]], q: [[4, 50]] } }] as TimedSource['points'] // prettier-ignore
    const now = timedInput(source({ panels: [[P, Q]], channels: [unused, channel, other], tail, points })).runs[1]
    expect(now?.lines).toEqual({ p: [[4, 101], [4.2, 102]], q: [[4, 50], [4.2, 55]] }) // prettier-ignore
  })

  it('shows the whole plan while it is recorded, what there is when it has ended, or the newest part', () => {
    expect(timedInput(source()).leastX).toEqual({ min: -2, max: 60 })
    expect(timedInput(source({ hasEnded: true })).leastX).toEqual({ min: -2, max: 4 })
    const newest = timedInput(source({ newest: { from: 3, to: 5 } }))
    expect(newest.leastX).toEqual({ min: 3, max: 5 })
    expect(newest.runs[1]?.lines?.p).toEqual([[4, 101], [4.2, 102]]) // prettier-ignore
  })

  it('shows a gap as a gap, and joins what is shown live', () => {
    const lines = { p: [[0, 1], [0.1, 2], [0.2, 2], [0.3, 2], [0.65, 3], [4, 4]] as [number, number][], r: [] } // prettier-ignore
    const line = (to: number) => timedInput(source({ points: [null, { from: 0, to, lines }] })).runs[1]?.lines?.p
    expect(line(4)).toEqual([[0, 1], [0.1, 2], [0.2, 2], [0.3, 2], [0.3, NaN], [0.65, 3], [0.65, NaN], [4, 4], [4.2, 102]]) // prettier-ignore
    // From afar three columns of pixels are more than three rows.
    expect(line(150)).toEqual([[0, 1], [0.1, 2], [0.2, 2], [0.3, 2], [0.65, 3], [0.65, NaN], [4, 4], [4.2, 102]]) // prettier-ignore
  })

  it('draws a probe that is slower than the run as one line', () => {
    const slow = { p: [[0, 1], [1, 2], [2, 3], [3, 4]] as [number, number][], r: [] } // prettier-ignore
    const drawn = timedInput(source({ points: [null, { from: 0, to: 4, lines: slow }] })).runs[1]?.lines?.p
    expect(drawn).toEqual([[0, 1], [1, 2], [2, 3], [3, 4], [4.2, 102]]) // prettier-ignore
  })

  it('counts in the unit of its time, markers too', () => {
    const input = timedInput(source({ time: { ...T, unit: 'min' }, tail: new Map() }))
    expect(input.leastX?.max).toBe(1)
    expect(input.runs[1]?.lines?.p?.[0]).toEqual([-2 / 60, 98])
    expect(input.marks?.map(({ x, text }) => [x, text])).toEqual([[[0.05], 'stirred']])
  })

  it('gets room in steps where there is no end', () => {
    expect([0, 30, 31, 500].map((reached) => roomFor(null, reached))).toEqual([30, 30, 60, 960])
    expect(roomFor(12, 500)).toBe(12)
  })
})

describe('how a timed run stands', () => {
  const timed = { plan, isWaiting: true, zero: null, clockError: null, endedS: null, endedBy: null }
  const live = (change: object) => ({
    benchId: 1,
    isConnected: true,
    madeAtMs: null,
    time: 1010,
    revision: '',
    probes: [],
    timedRuns: [{ runId: 2, state: 'recording' as const, zero: 1000, clockError: null, endedS: null, ...change }],
    notes: [],
  })

  it('is told by the recorder before it is stored', () => {
    const open = run(2, { state: 'open', timed })
    expect(timedNow(open, null)).toEqual({ state: 'waiting', zero: null, elapsed: 0 })
    expect(timedNow(open, live({ state: 'waiting', zero: null }))).toMatchObject({ state: 'waiting' })
    expect(timedNow(open, live({}))).toEqual({ state: 'recording', zero: 1000, elapsed: 10 })
    expect(timedNow(open, live({ state: 'ended', endedS: 7 }))).toEqual({ state: 'ended', zero: 1000, elapsed: 7 })
    expect(timedNow(open, live({ runId: 3 }))).toMatchObject({ state: 'waiting' })
  })

  it('stays as it ended', () => {
    const ended = run(2, {
      timed: { ...timed, isWaiting: false, zero: 1000, clockError: null, endedS: 5, endedBy: 'hand' },
    })
    expect(timedNow(ended, null)).toEqual({ state: 'ended', zero: 1000, elapsed: 5 })
    expect(timedNow(ended, live({ state: 'ended', endedS: 5 }))).toMatchObject({ state: 'ended', elapsed: 5 })
  })

  it('counts from where it began, also before the recorder says so', () => {
    const stored = run(2, { state: 'open', timed: { ...timed, isWaiting: false, zero: 1000 } })
    expect(timedNow(stored, null)).toMatchObject({ state: 'recording', elapsed: 0 })
  })
})
