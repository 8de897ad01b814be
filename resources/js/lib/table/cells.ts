import type { Column, Row, RunSummary } from '../api/types'
import { stepText } from '../notebook/labels'

const USUAL_WIDTH = 96

/** Whether the cells of a column are typed in this run. */
export function isTypedIn(run: Pick<RunSummary, 'kind'>, column: Pick<Column, 'kind'>): boolean {
  return run.kind === 'typed' ? column.kind !== 'derived' : column.kind === 'typed' && run.kind !== 'timed'
}

/** What stands in a cell, as it can be typed again: a number with its digits, words, or what is no number. */
export function typedText(row: Row | undefined, column: Column): string {
  if (row === undefined) return ''
  if (column.kind === 'step' && row.step !== null) return stepText(row.step, column)
  return row.texts[column.symbol] ?? row.cells[column.symbol]?.shown ?? ''
}

/** Width of a column of the table in px. */
export function widthOf(column: Pick<Column, 'width'>): number {
  return column.width ?? USUAL_WIDTH
}
