import type { Column, Measured, Row } from '../api/types'
import { fixed, typeset } from '../format'

const RAISED: Record<string, string> = {
  '-': '⁻',
  0: '⁰',
  1: '¹',
  2: '²',
  3: '³',
  4: '⁴',
  5: '⁵',
  6: '⁶',
  7: '⁷',
  8: '⁸',
  9: '⁹',
}

/** A unit as it is printed: mL², not mL^2. */
export function unitText(unit: string): string {
  return unit.replace(/\^(-?\d+)/g, (_, power: string) => power.replace(/[-\d]/g, (letter) => RAISED[letter] ?? letter))
}

/** A unit to write behind a number; where the symbol says it all there is none. */
export function unitBehind(unit: string, symbol = ''): string {
  return unit === '' || unit === symbol ? '' : unitText(unit)
}

/** A value with its ± and unit, in the digits the ± allows. */
export function measuredText({ shownValue, shownUncertainty, unit }: Measured, symbol = ''): string {
  const error = shownUncertainty === '' ? '' : ` ± ${shownUncertainty}`
  return `${typeset(shownValue)}${error} ${unitBehind(unit, symbol)}`.trim()
}

/** Where a span lies: "0 to 54 s". */
export function spanText(span: { columnId: number; from: number; to: number }, columns: readonly Column[]): string {
  const column = columns.find(({ id }) => id === span.columnId)
  const end = (value: number) => typeset(Number(value.toPrecision(6)).toString())
  return `${end(span.from)} to ${end(span.to)} ${column === undefined ? '' : unitBehind(column.unit, column.symbol)}`.trim()
}

/** The head of a table column: "V / mL", and "v / (m/s)", since one stroke more would be ambiguous. */
export function columnHead(column: Column): string {
  const unit = unitBehind(column.unit, column.symbol)
  if (unit === '') return column.symbol
  return `${column.symbol} / ${unit.includes('/') ? `(${unit})` : unit}`
}

/** A name like "1/q" or "ln T" says what a column is; its symbol, inv_q, is only for formulas. */
export function isNamedByFormula(column: Column): boolean {
  return /[/²√]|^ln[ (]/.test(column.shownName)
}

/** What stands beside an axis: "volume of NaOH added V / mL". */
export function axisName(column: Column): string {
  if (isNamedByFormula(column)) return columnHead({ ...column, symbol: column.shownName })
  const name = column.shownName === column.symbol ? '' : `${lowerFirst(column.shownName)} `
  return `${name}${columnHead(column)}`
}

/** The same by what somebody called it; its unit is that of its column. */
export function calledAxis(label: string, column: Column): string {
  return columnHead({ ...column, symbol: label })
}

/** A word begins small within a sentence; a symbol like pH stays as it is. */
export function lowerFirst(text: string): string {
  return /^[A-Z][a-z ]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text
}

/** A step as it is shown: a number with the decimals of its column, or a word. */
export function stepText(step: Row['step'], column: Column | undefined): string {
  if (step === null) return '—'
  return typeof step === 'string' ? step : fixed(step, column?.decimals ?? 2)
}

/** The same with its unit. */
export function stepWords(step: Row['step'], column: Column | undefined): string {
  const unit = column === undefined || typeof step === 'string' ? '' : unitBehind(column.unit, column.symbol)
  return unit === '' ? stepText(step, column) : `${stepText(step, column)} ${unit}`
}

/** What one reading, or so many of them, are called in a sentence. */
export function readingsName(readings: readonly Row[], columns: readonly Column[]): string {
  const [first] = readings
  if (readings.length !== 1 || first === undefined) return `${readings.length} readings`
  const name = rowName(first, columns)
  return name.startsWith('row ') ? name : `the reading at ${name}`
}

/** What a row is called: what it was set to, when it was recorded, or which one it is. */
export function rowName(row: Row, columns: readonly Column[]): string {
  const step = columns.find(({ kind }) => kind === 'step')
  if (row.step !== null) return stepWords(row.step, step)
  const time = columns.find(({ kind }) => kind === 'time')
  const cell = time === undefined ? undefined : row.cells[time.symbol]
  return time === undefined || cell == null ? `row ${row.id}` : `${cellText(row, time)} ${unitText(time.unit)}`
}

/** A cell with the decimals of its column, or as many as its ± allows. */
export function cellText(row: Row, column: Column): string {
  if (column.kind === 'step' && row.step !== null) return stepText(row.step, column)
  const cell = row.cells[column.symbol]
  if (cell == null) return row.texts[column.symbol] ?? '—'
  return column.decimals === null ? typeset(cell.shown) : fixed(cell.value, column.decimals)
}

/** The value of a cell that counts as a number. */
export function numberOf(row: Row, column: Column): number | null {
  if (column.kind === 'step' && row.step !== null) return typeof row.step === 'number' ? row.step : null
  return row.cells[column.symbol]?.value ?? null
}

/** A sentence begins large; a symbol like pH stays as it is. */
export function capital(text: string): string {
  return /^(?!ln[ (])[a-z]{2}/.test(text) ? text.charAt(0).toUpperCase() + text.slice(1) : text
}
