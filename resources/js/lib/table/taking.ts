import type { Column, RunSummary, TablePreview } from '../api/types'
import { cellsOf } from './grid'

/** A column of a file on its way into the notebook. */
export interface Wanted {
  place: number
  isTaken: boolean
  /** Of the notebook; null: a new one. */
  columnId: number | null
  symbol: string
  name: string
  unit: string
  isWords: boolean
}

const USUAL: Record<string, string> = {
  time: 't',
  temperature: 'T',
  pressure: 'P',
  volume: 'V',
  mass: 'm',
  length: 'l',
}

/** Whether a column was just made to be typed in and is not called anything yet. */
function isUnnamed(column: Column): boolean {
  return column.kind === 'typed' && column.name === column.symbol && column.unit === ''
}

/** What rows of a file become: a new run, further rows or columns of the one on screen, or a run for each trial. */
export type Way = 'new' | 'run' | 'beside' | 'trials'

/** A symbol for a column by its name that is not taken yet. */
export function symbolFor(name: string, known: string, taken: readonly string[]): string {
  const wanted = USUAL[name.trim().toLowerCase()] ?? (/^[A-Za-z_][A-Za-z_0-9]{0,19}$/.test(known) ? known : 'x')
  if (!taken.includes(wanted)) return wanted
  for (let i = 2; ; i++) if (!taken.includes(`${wanted}_${i}`)) return `${wanted}_${i}`
}

/** Where the columns of a file most likely go: into those of the same name, then into new ones that wait for numbers. */
export function guessed(preview: TablePreview, columns: readonly Column[], isRunEmpty: boolean): Wanted[] {
  const free = columns.filter(({ kind }) => kind !== 'derived')
  const used = new Set<number>()
  const find = (test: (column: Column) => boolean) => {
    const found = free.find((column) => !used.has(column.id) && test(column))
    if (found !== undefined) used.add(found.id)
    return found
  }
  const named = preview.columns.map(({ name, symbol }) =>
    find((column) => column.symbol === symbol || column.shownName.toLowerCase() === name.toLowerCase()),
  )
  const taken = columns.map(({ symbol }) => symbol)
  const trials = preview.trials.map(({ place }) => place)
  return preview.columns.map((column, i) => {
    const isLaterTrial = trials.indexOf(column.place) > 0
    const into = named[i] ?? (isRunEmpty && !isLaterTrial ? find(isUnnamed) : undefined)
    const isRenamed = into !== undefined && named[i] === undefined
    // All trials go into one column, which is called after none of them.
    const name = trials.includes(column.place) ? 'Value' : column.name
    const symbol =
      into === undefined || isRenamed
        ? symbolFor(
            name,
            name === 'Value' ? 'y' : column.symbol,
            taken.filter((one) => one !== into?.symbol),
          )
        : into.symbol
    taken.push(symbol)
    return {
      place: column.place,
      isTaken: !isLaterTrial,
      columnId: into?.id ?? null,
      symbol,
      name: into === undefined || isRenamed ? name : into.name,
      unit: column.unit,
      isWords: column.kind === 'text',
    }
  })
}

/** Beside the rows of a run: columns of names it has already tell which rows they are, the others are new. */
export function guessedBeside(preview: TablePreview, columns: readonly Column[]): Wanted[] {
  const known = guessed(preview, columns, false)
  const isAllKnown = known.every(({ columnId }) => columnId !== null)
  return known.map((one) => ({ ...one, isTaken: one.columnId === null || isAllKnown }))
}

function isNumber(cell: string): boolean {
  return /^[-+−]?[\d.,\s]*\d[\d.,]*(?:e[-+]?\d+)?$/i.test(cell.trim())
}

/** Whether a pasted text is plain cells, to go where the cursor is; else it is looked at first. */
export function isPlainBlock(text: string): boolean {
  const cells = cellsOf(text)
  if (cells.length < 2) return true
  if (cells.every((row) => row.length === 1)) {
    const lines = cells.map(([line = '']) => line)
    // Titles and remarks have none. Commas alone may be decimal marks.
    const isCutAt = (mark: string) =>
      2 * lines.filter((line) => line.includes(mark) && !isNumber(line)).length >= lines.length
    if (isCutAt(';') || isCutAt('|') || isCutAt(',')) return false
  }
  const [head = [], ...rest] = cells
  // A first row of words above numbers is a head.
  return !(
    head.some((cell) => cell.trim() !== '') &&
    head.every((cell) => !isNumber(cell)) &&
    rest.some((row) => row.some(isNumber))
  )
}

/** What is said of where the rows go. */
export function intoWords(run: Pick<RunSummary, 'name'> | null, trials: number): string {
  if (trials > 0) return `${trials} runs, one for each trial`
  return run === null ? 'a new run' : run.name
}
