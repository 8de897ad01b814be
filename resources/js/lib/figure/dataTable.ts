import type { Column } from '../api/types'
import { columnHead, stepText } from '../notebook/labels'
import type { DrawnRun, FigureInput } from './drawn'

/** More rows are not read one by one. */
const MOST_ROWS = 200

export interface DataTable {
  key: number
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
    key: run.id,
    run: run.title ?? run.name,
    heads: columns.map(columnHead),
    ...told(some(run), columns),
    count: run.rows.length,
  }))
}

function told(rows: DrawnRun['rows'], columns: readonly Column[]): Pick<DataTable, 'rows'> {
  const decimals = columns.map((column) => column.decimals ?? decimalsOf(rows, column))
  return {
    rows: rows.map((row) => ({
      key: row.id,
      cells: columns.map((column, place) => cell(row, column, decimals[place] ?? null)),
      setAside: row.setAside,
    })),
  }
}

/** So many digits are told of a number that has no decimals of its own. */
const DIGITS = 6

/** As many decimals as its longest number has, so that all of them stand in line; null where one is too small or too large for that. */
function decimalsOf(rows: DrawnRun['rows'], { symbol }: Column): number | null {
  const texts = rows.flatMap(({ cells }) => {
    const known = cells[symbol]
    return known == null ? [] : [Number(known.value.toPrecision(DIGITS)).toString()]
  })
  if (texts.some((text) => text.includes('e'))) return null
  return Math.max(0, ...texts.map((text) => text.split('.')[1]?.length ?? 0))
}

function some({ rows }: DrawnRun): DrawnRun['rows'] {
  const step = Math.max(1, rows.length / MOST_ROWS)
  return rows.filter((_, i) => Math.floor(i / step) !== Math.floor((i - 1) / step))
}

function cell(row: DrawnRun['rows'][number], column: Column, decimals: number | null): string {
  if (column.kind === 'step' && row.step !== null) return stepText(row.step, column)
  const known = row.cells[column.symbol]
  if (known == null) return row.texts[column.symbol] ?? ''
  const digits = decimals === null ? Number(known.value.toPrecision(DIGITS)).toString() : known.value.toFixed(decimals)
  return digits.replace('-', '−')
}
