import type { Column, Row, RunRows, RunSummary } from '../api/types'
import { stepText } from '../notebook/labels'

const USUAL_WIDTH = 96

/** Whether the cells of a column are typed in this run. */
export function isTypedIn(run: Pick<RunSummary, 'kind'>, column: Pick<Column, 'kind'>): boolean {
  return run.kind === 'typed' ? column.kind !== 'derived' : column.kind === 'typed' && run.kind !== 'timed'
}

/** What is seen of a cell: a number with the digits of its column, words, or what is no number. */
export function shownText(row: Row | undefined, column: Column): string {
  if (row === undefined) return ''
  if (column.kind === 'step' && row.step !== null) return stepText(row.step, column)
  return row.texts[column.symbol] ?? row.cells[column.symbol]?.shown ?? ''
}

/** The same as it is typed again or copied: with every digit it has. */
export function typedText(row: Row | undefined, column: Column): string {
  const shown = shownText(row, column)
  const value = row?.cells[column.symbol]?.value
  return value === undefined || Number(shown) === value || row?.texts[column.symbol] !== undefined
    ? shown
    : String(value)
}

/** Width of a column of the table in px. */
export function widthOf(column: Pick<Column, 'width'>): number {
  return column.width ?? USUAL_WIDTH
}

/** Whether a cell of numbers is blank where its column and its row have others. The last row may be just being typed. */
export function isBlankAmong(
  rows: Pick<RunRows, 'typed'>,
  row: Row | undefined,
  place: number,
  { symbol, kind, isWords }: Column,
): boolean {
  const { feet = [], rowCount = 0 } = rows.typed ?? {}
  if (row === undefined || kind === 'derived' || isWords || row.setAside !== null || place >= rowCount - 1) return false
  if (!feet.some((foot) => foot.symbol === symbol)) return false
  return (
    row.cells[symbol] == null && Object.entries(row.cells).some(([other, cell]) => other !== symbol && cell !== null)
  )
}
