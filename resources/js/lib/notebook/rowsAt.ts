import type { Column, Row, RunRows } from '../api/types'
import { numberOf } from './labels'
import { isThinned } from './nearRows'

/** Rows that count and have these values; none of a long run, of which only some rows are known here. */
export function rowsAt(
  rows: RunRows,
  x: string,
  y: string,
  columns: readonly Column[],
  points: readonly { x: number; y: number }[],
): Row[] {
  const [along, up] = [x, y].map((symbol) => columns.find((one) => one.symbol === symbol))
  if (along === undefined || up === undefined || isThinned(rows)) return []
  return rows.rows.filter(
    (row) =>
      row.setAside === null &&
      points.some((point) => isSame(point.x, numberOf(row, along)) && isSame(point.y, numberOf(row, up))),
  )
}

/** On their way values lose their last digit at most. */
function isSame(value: number, other: number | null): boolean {
  return other !== null && Math.abs(value - other) <= 1e-12 * Math.abs(value)
}
