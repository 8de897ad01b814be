import type { Column } from '../api/types'
import { columnHead, stepText } from '../notebook/labels'
import type { DrawnRun, FigureInput } from './drawn'

/** More rows are not read one by one. */
const MOST_ROWS = 200

export interface DataTable {
  run: string
  heads: string[]
  rows: { key: number; cells: string[]; setAside: string | null }[]
  /** How many rows it has in all. */
  count: number
}

/** What a figure draws as numbers, a table for each run; of many rows some, evenly. */
export function dataTables({ x, panels, drawing, runs }: FigureInput): DataTable[] {
  const columns = [x, ...panels.flatMap((of, i) => [...of, ...(drawing?.panels[i]?.right ?? [])])]
  return runs.map((run) => ({
    run: run.name,
    heads: columns.map(columnHead),
    rows: some(run).map((row) => ({
      key: row.id,
      cells: columns.map((column) => cell(row, column)),
      setAside: row.setAside,
    })),
    count: run.rows.length,
  }))
}

function some({ rows }: DrawnRun): DrawnRun['rows'] {
  const step = Math.max(1, rows.length / MOST_ROWS)
  return rows.filter((_, i) => Math.floor(i / step) !== Math.floor((i - 1) / step))
}

function cell(row: DrawnRun['rows'][number], column: Column): string {
  if (column.kind === 'step' && row.step !== null) return stepText(row.step, column)
  const known = row.cells[column.symbol]
  if (known == null) return row.texts[column.symbol] ?? ''
  const digits =
    column.decimals === null ? Number(known.value.toPrecision(6)).toString() : known.value.toFixed(column.decimals)
  return digits.replace('-', '−')
}
