import type {
  Column,
  Entry,
  Figure,
  Line,
  Mark,
  Notebook,
  Row,
  RunRows,
  RunSummary,
  WorkedLine,
} from '../lib/api/types'
import { measured } from './examples'

export function column(symbol: string, change: Partial<Column> = {}): Column {
  return {
    id: symbol.charCodeAt(0),
    symbol,
    name: symbol,
    shownName: symbol,
    unit: '',
    kind: 'measured',
    role: null,
    isRaw: false,
    isSteady: false,
    isWords: false,
    formula: null,
    decimals: 2,
    least: null,
    most: null,
    finest: null,
    position: 1,
    uncertainty: 0,
    uncertaintyOf: null,
    isHidden: false,
    width: null,
    ...change,
  }
}

export const VOLUME = column('V', {
  name: 'Volume of {titrant} added',
  shownName: 'Volume of NaOH added',
  unit: 'mL',
  kind: 'step',
})
export const PH = column('pH', { unit: 'pH', role: 'electrode', isSteady: true, decimals: null, position: 2 })
export const BATH = column('bath', { shownName: 'Bath', kind: 'step', isWords: true })

export function row(id: number, step: Row['step'], cells: Record<string, number> = {}, change: Partial<Row> = {}): Row {
  return {
    id,
    number: id,
    step,
    texts: {},
    cells: Object.fromEntries(
      Object.entries(cells).map(([symbol, value]) => [symbol, { value, uncertainty: 0.01, shown: value.toFixed(2) }]),
    ),
    wasSteady: true,
    setAside: null,
    takenAt: `2026-11-27T10:00:${String(id).padStart(2, '0')}.000Z`,
    ...change,
  }
}

export function entry(symbol: string, change: Partial<Entry> = {}): Entry {
  return {
    id: symbol.charCodeAt(0),
    symbol,
    name: symbol,
    shownName: symbol,
    unit: '',
    isPerRun: false,
    isWords: false,
    value: null,
    uncertainty: 0,
    text: null,
    position: 1,
    ofRuns: [],
    ...change,
  }
}

export function line(id: number, symbol: string, change: Partial<Line> = {}): Line {
  return {
    id,
    symbol,
    title: symbol,
    shownTitle: symbol,
    method: 'formula',
    isPerRun: true,
    onlyRun: null,
    spanId: null,
    uses: {},
    texts: {},
    numbers: {},
    position: id,
    guesses: [],
    ...change,
  }
}

export function worked(symbol: string, runId: number | null, change: Partial<WorkedLine> = {}): WorkedLine {
  return {
    symbol,
    runId,
    result: measured(10.45, 0.03, 'mL'),
    outcomes: [],
    lists: [],
    method: '',
    source: '',
    explanation: null,
    rests: [],
    sources: [],
    warnings: [],
    marks: [],
    goodness: null,
    needs: null,
    problem: null,
    position: null,
    ...change,
  }
}

export function mark(kind: Mark['kind'], change: Partial<Mark> = {}): Mark {
  return { kind, label: 'equivalence', xSymbol: 'V', ySymbol: 'pH', x: [10.45], y: [7], low: null, ...change }
}

export function run(id: number, change: Partial<RunSummary> = {}): RunSummary {
  return {
    id,
    position: id,
    number: id,
    name: `Run ${id}`,
    ownName: '',
    condition: null,
    trial: null,
    aside: null,
    kind: 'stepwise',
    state: 'finished',
    bench: { id: 1, name: 'Alder' },
    beside: null,
    startedAt: '2026-11-27T09:55:00Z',
    finishedAt: null,
    readingCount: 4,
    timed: null,
    ...change,
  }
}

export function runRows(id: number, rows: Row[], change: Partial<RunRows> = {}): RunRows {
  return {
    id,
    experimentId: 1,
    plan: {},
    remaining: [],
    timed: null,
    typed: null,
    channels: [],
    markers: [],
    trustSentences: [],
    columns: [],
    rows,
    advice: null,
    ...change,
  }
}

const PLAIN_AXIS = { scale: 'linear' as const, from: null, to: null, unit: null, label: null, shown: {} }

/** A figure as most are; y by panel. */
export function figure(x: string, y: string[][], change: Partial<Figure> = {}): Figure {
  return {
    id: 1,
    title: '',
    shownTitle: '',
    x,
    axis: PLAIN_AXIS,
    panels: y.map((of) => ({ y: of, axis: PLAIN_AXIS, right: [], rightAxis: PLAIN_AXIS })),
    points: null,
    bars: false,
    coloursBy: null,
    caption: null,
    doubt: null,
    position: 1,
    ...change,
  }
}

/** A small titration: two runs, two lines, one figure. */
export function notebook(change: Partial<Notebook> = {}): Notebook {
  return {
    id: 1,
    revision: 5,
    title: 'How sour is it?',
    board: { arrangement: 'one', tiles: [{ shows: 'figure', columns: [] }] },
    aim: null,
    conclusion: null,
    bench: { id: 1, name: 'Alder' },
    beside: null,
    plan: {
      protocol: 'Titration',
      picture: 'burette',
      prepare: [],
      roles: [],
      runKind: 'stepwise',
      timed: { rate: 2, length: 600, begin: null, end: null },
      timedWarnings: [],
      steps: {},
      constant: [],
      stepWords: 'add NaOH to',
      hints: { aim: '', conclusion: '' },
    },
    entries: [entry('c', { unit: 'mol/L', value: 0.1 }), entry('titrant', { isWords: true, text: 'NaOH' })],
    columns: [VOLUME, PH],
    spans: [],
    figures: [figure('V', [['pH']])],
    lines: [line(1, 'Veq', { method: 'equivalence', uses: { x: 'V', y: 'pH' } }), line(2, 'n')],
    runs: [run(1), run(2)],
    stages: { prepare: true, record: true, reason: false, report: false },
    undo: null,
    redo: null,
    updatedAt: '2026-11-27T10:00:00Z',
    ...change,
  }
}

export const ROWS = [
  row(1, 0, { pH: 2.6 }),
  row(2, 5, { pH: 3.8 }),
  row(3, 10, { pH: 5.2 }),
  row(4, 11, { pH: 11.2 }, { setAside: 'touched the glass' }),
]

export const TEST_INK = {
  paper: '#fff',
  text: '#000',
  quiet: '#555',
  faint: '#888',
  grid: '#ddd',
  primary: '#0e5f5a',
  amber: '#d98a00',
  error: '#b3261e',
  derivative: '#8a4b00',
  secondDerivative: '#6b4a8c',
  runs: ['#0072b2', '#b3470a', '#00785a', '#a2457f'],
  sans: 'sans',
  mono: 'mono',
  scale: 1,
  stroke: 1.5,
} as const
