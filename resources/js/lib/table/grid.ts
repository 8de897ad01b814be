/** A cell by its place: row and column from 0. */
export interface Spot {
  row: number
  column: number
}

/** The cell in hand, and the corner a choice of several began in. */
export interface Pick {
  at: Spot
  from: Spot
}

/** How many rows there are, the blank one below them included, and columns. */
export interface Size {
  rows: number
  columns: number
}

export interface Block {
  top: number
  left: number
  bottom: number
  right: number
}

export function pickAt(row: number, column: number): Pick {
  return { at: { row, column }, from: { row, column } }
}

export function blockOf({ at, from }: Pick): Block {
  return {
    top: Math.min(at.row, from.row),
    bottom: Math.max(at.row, from.row),
    left: Math.min(at.column, from.column),
    right: Math.max(at.column, from.column),
  }
}

export function isWithin({ top, left, bottom, right }: Block, row: number, column: number): boolean {
  return row >= top && row <= bottom && column >= left && column <= right
}

function clamped(value: number, count: number): number {
  return Math.max(0, Math.min(count - 1, value))
}

/** Where a key leads, or null if it leads nowhere; with Shift the choice grows, with Control it goes to the end. */
export function ledBy(
  pick: Pick,
  key: string,
  size: Size,
  { shift = false, control = false, page = 10 }: { shift?: boolean; control?: boolean; page?: number } = {},
): Pick | null {
  const { row, column } = pick.at
  // The blank row is stepped on from the last one, not jumped over to.
  const last = Math.max(0, size.rows - 2)
  const to: Record<string, Spot> = {
    ArrowUp: { row: control ? 0 : row - 1, column },
    ArrowDown: { row: control ? last : row + 1, column },
    ArrowLeft: { row, column: control ? 0 : column - 1 },
    ArrowRight: { row, column: control ? size.columns - 1 : column + 1 },
    Home: { row: control ? 0 : row, column: 0 },
    End: { row: control ? last : row, column: size.columns - 1 },
    PageUp: { row: row - page, column },
    PageDown: { row: Math.min(row + page, Math.max(row, last)), column },
  }
  const spot = to[key]
  if (spot === undefined) return null
  const at = { row: clamped(spot.row, size.rows), column: clamped(spot.column, size.columns) }
  return { at, from: shift ? pick.from : at }
}

/** The next cell once something was typed: below with Enter, beside with Tab; null where there is none. */
export function nextOf({ at }: Pick, key: 'Enter' | 'Tab', size: Size, isBack: boolean): Pick | null {
  const way = isBack ? -1 : 1
  if (key === 'Enter') {
    const row = at.row + way
    return row < 0 || row >= size.rows ? null : pickAt(row, at.column)
  }
  const index = at.row * size.columns + at.column + way
  return index < 0 || index >= size.rows * size.columns
    ? null
    : pickAt(Math.floor(index / size.columns), index % size.columns)
}

/** Cells as a spreadsheet or a text has them on the clipboard. */
export function cellsOf(text: string): string[][] {
  const rows: string[][] = [[]]
  let cell = ''
  let isQuoted = false
  const plain = text.replace(/\r\n?/g, '\n')
  for (let i = 0; i < plain.length; i++) {
    const letter = plain.charAt(i)
    if (isQuoted) {
      if (letter === '"' && plain.charAt(i + 1) === '"') {
        cell += '"'
        i++
      } else if (letter === '"') isQuoted = false
      else cell += letter
    } else if (letter === '"' && cell === '') isQuoted = true
    else if (letter === '\t' || letter === '\n') {
      rows.at(-1)?.push(cell)
      cell = ''
      if (letter === '\n') rows.push([])
    } else cell += letter
  }
  rows.at(-1)?.push(cell)
  // The last line ends with a line break as the others do.
  return rows.length > 1 && rows.at(-1)?.every((one) => one === '') === true ? rows.slice(0, -1) : rows
}

/** The same the other way. */
export function textOf(cells: readonly (readonly string[])[]): string {
  const quoted = (cell: string) => (/[\t\n"]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)
  return cells.map((row) => row.map(quoted).join('\t')).join('\n')
}

/** All rows of equal length, blank where one was shorter. */
export function squared(cells: readonly (readonly string[])[], most: number): string[][] {
  const width = Math.min(most, Math.max(0, ...cells.map((row) => row.length)))
  return cells.map((row) => Array.from({ length: width }, (_, i) => row[i] ?? ''))
}
