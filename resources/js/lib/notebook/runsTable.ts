import type { Column, Measured, RunsColumn, RunsTable, RunSummary } from '../api/types'
import { measuredText, unitText } from './labels'

export type Cell = Measured | null

/** The head of a column of the runs: its symbol with its unit. */
export function runsHead({ symbol, unit }: Pick<RunsColumn, 'symbol' | 'unit'>): string {
  const text = unitText(unit)
  return text === '' ? symbol : `${symbol} / ${text.includes('/') ? `(${text})` : text}`
}

export function cellOf(table: RunsTable, runId: number, symbol: string): Cell {
  return table.rows.find((row) => row.runId === runId)?.cells[symbol] ?? null
}

/** What the runs are ordered by: a column, or what they are called. */
export type RunOrder =
  { by: 'place' } | { by: 'condition' | 'trial'; isDown: boolean } | { by: 'column'; symbol: string; isDown: boolean }

/** The next order when a head is pressed: up, then down, then as they stand. */
export function nextOrder(order: RunOrder, by: 'condition' | 'trial' | { symbol: string }): RunOrder {
  const isSame = isBy(order, by)
  if (isSame && order.by !== 'place' && order.isDown) return { by: 'place' }
  return typeof by === 'string' ? { by, isDown: isSame } : { by: 'column', symbol: by.symbol, isDown: isSame }
}

/** Whether the runs are in the order of this. */
export function isBy(order: RunOrder, by: 'condition' | 'trial' | { symbol: string }): boolean {
  return typeof by === 'string' ? order.by === by : order.by === 'column' && order.symbol === by.symbol
}

/** Runs in an order; what has no value comes last, whichever way. */
export function ordered(runs: readonly RunSummary[], table: RunsTable, order: RunOrder): RunSummary[] {
  if (order.by === 'place') return [...runs]
  const valueOf = (run: RunSummary): string | number | null =>
    order.by === 'column' ? (cellOf(table, run.id, order.symbol)?.value ?? null) : run[order.by]
  return [...runs].sort((a, b) => {
    const [one, two] = [valueOf(a), valueOf(b)]
    if (one === null || two === null) return Number(one === null) - Number(two === null)
    const way =
      typeof one === 'string' ? one.localeCompare(String(two), undefined, { numeric: true }) : one - Number(two)
    return order.isDown ? -way : way
  })
}

export interface ConditionRow {
  condition: string | null
  /** Its runs, in the order of their trials. */
  runs: RunSummary[]
}

/** The runs by condition, in the order conditions first come. */
export function byCondition(runs: readonly RunSummary[]): ConditionRow[] {
  const rows = new Map<string | null, RunSummary[]>()
  for (const run of runs) rows.set(run.condition, [...(rows.get(run.condition) ?? []), run])
  return [...rows].map(([condition, of]) => ({
    condition,
    runs: of.sort((a, b) => (a.trial ?? a.number) - (b.trial ?? b.number)),
  }))
}

/** What all runs of a condition have alike, as a concentration that was set; null where they differ. */
export function commonCell(table: RunsTable, runs: readonly RunSummary[], symbol: string): Cell {
  const [first, ...others] = runs.map(({ id }) => cellOf(table, id, symbol))
  return first != null && others.every((cell) => cell?.value === first.value) ? first : null
}

/** Statistics of a condition, as heads and what is told of each. */
export const GROUPED = [
  ['sd', 'sd'],
  ['standardError', 'standard error'],
  ['range', 'range'],
  ['halfRange', 'half-range'],
  ['percent', 'percent'],
] as const

/** Which condition scatters most, in a sentence; nothing where there are no two to compare. */
export function scatterText({ groups }: RunsColumn): string {
  const known = groups.flatMap(({ condition, percent, n, shown }) =>
    percent === null || n < 2 ? [] : [{ condition, percent, shown: shown.percent ?? '' }],
  )
  const [most] = [...known].sort((a, b) => b.percent - a.percent)
  return known.length < 2 || most === undefined
    ? ''
    : `“${most.condition ?? 'no condition'}” scatters most: half its range is ${most.shown} % of its mean.`
}

/** All runs as text with tabs, for a spreadsheet: heads, then a row a run, all digits. */
export function runsText(runs: readonly RunSummary[], table: RunsTable): string {
  const heads = ['Run', 'Condition', 'Trial', ...table.columns.map(runsHead)]
  const rows = runs.map((run) => [
    run.name,
    run.condition ?? '',
    run.trial === null ? '' : String(run.trial),
    ...table.columns.map(({ symbol }) => String(cellOf(table, run.id, symbol)?.value ?? '')),
  ])
  return [heads, ...rows].map((cells) => cells.join('\t')).join('\n')
}

/** The same by condition: trials of one column, and what they come to. */
export function conditionsText(rows: readonly ConditionRow[], table: RunsTable, column: RunsColumn): string {
  const others = table.columns.filter(({ symbol, kind }) => kind === 'entry' && symbol !== column.symbol)
  const most = Math.max(0, ...rows.map(({ runs }) => runs.length))
  const heads = [
    'Condition',
    ...others.map(runsHead),
    ...Array.from({ length: most }, (_, i) => `${runsHead(column)}, trial ${i + 1}`),
    'mean',
    ...GROUPED.map(([, words]) => words),
  ]
  const told = rows.map(({ condition, runs }) => {
    const group = column.groups.find((one) => one.condition === condition)
    return [
      condition ?? '',
      ...others.map(({ symbol }) => String(commonCell(table, runs, symbol)?.value ?? '')),
      ...Array.from({ length: most }, (_, i) => String(cellOf(table, runs[i]?.id ?? 0, column.symbol)?.value ?? '')),
      String(group?.mean ?? ''),
      ...GROUPED.map(([name]) => String((group?.n ?? 0) < 2 ? '' : (group?.[name] ?? ''))),
    ]
  })
  return [heads, ...told].map((cells) => cells.join('\t')).join('\n')
}

/** A cell with its ±, without the unit its head tells. */
export function cellText(cell: Cell): string {
  return cell === null ? '—' : measuredText({ ...cell, unit: '' })
}

/** A symbol that was made of a title says nothing more than it: slope1 of “Slope”. */
export function isNamedAlike(symbol: string, title: string): boolean {
  return symbol.replace(/\d+$/, '') === title.toLowerCase()
}

/** The columns of the runs as those of a figure. */
export function runsColumns(table: RunsTable): Column[] {
  return table.columns.map(({ symbol, title, unit }, index) => ({
    id: -1 - index,
    symbol,
    name: title,
    shownName: isNamedAlike(symbol, title) ? symbol : title,
    unit,
    kind: 'derived',
    role: null,
    isRaw: false,
    isSteady: false,
    isWords: false,
    formula: null,
    decimals: null,
    least: null,
    most: null,
    finest: null,
    position: index,
    uncertainty: 0,
    uncertaintyOf: null,
    isHidden: false,
    width: null,
  }))
}
