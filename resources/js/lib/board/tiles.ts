import type { Board, Column, Notebook, RunSummary, Tile } from '../api/types'

/** As many as a tile names at most. */
export const MOST_COLUMNS = 4

const PLACES: Record<Board['arrangement'], number> = { one: 1, two: 2, three: 3, four: 4 }
const KINDS: Tile['shows'][] = ['figure', 'readout', 'table', 'level']

/** What a tile shows: the columns it names, or all that is measured. */
export function columnsOf(tile: Tile, notebook: Notebook): Column[] {
  const named = tile.columns.flatMap((symbol) => notebook.columns.find((one) => one.symbol === symbol) ?? [])
  return named.length > 0 ? named : notebook.columns.filter(({ kind }) => kind === 'measured').slice(0, MOST_COLUMNS)
}

/** What a tile can be made to show: of a timed run only what is measured is there while it goes on. */
export function offeredColumns(shows: Tile['shows'], notebook: Notebook, run: RunSummary | null): Column[] {
  if (shows === 'figure') return []
  const isTimed = (run?.kind ?? notebook.plan.runKind) === 'timed'
  return notebook.columns.filter(({ kind }) => (isTimed ? kind === 'measured' : kind !== 'time' && kind !== 'step'))
}

/** The same tiles in other places; new places show what is not on the board yet. */
export function arranged(board: Board, arrangement: Board['arrangement']): Board {
  const tiles = board.tiles.slice(0, PLACES[arrangement])
  while (tiles.length < PLACES[arrangement]) {
    const shows = KINDS.find((kind) => !tiles.some((tile) => tile.shows === kind)) ?? 'readout'
    tiles.push({ shows, columns: [] })
  }
  return { arrangement, tiles }
}

/** Two tiles in each other's place. */
export function swapped(board: Board, from: number, to: number): Board {
  const [a, b] = [board.tiles[from], board.tiles[to]]
  if (a === undefined || b === undefined) return board
  return { ...board, tiles: board.tiles.map((tile, index) => (index === from ? b : index === to ? a : tile)) }
}

/** One tile showing something else. */
export function changed(board: Board, place: number, tile: Tile): Board {
  return { ...board, tiles: board.tiles.map((one, index) => (index === place ? tile : one)) }
}

/** The colour in which the figure draws a column of a run, as a variable of the theme. */
export function columnColour(notebook: Notebook, run: RunSummary | null, symbol: string): string {
  const panels = notebook.figures[0]?.panels ?? []
  const panel = panels.findIndex(({ y }) => y.includes(symbol))
  if (panel === 1) return 'var(--derivative)'
  if (panel > 1) return 'var(--derivative-2)'
  const place = Math.max(0, panels[0]?.y.indexOf(symbol) ?? 0)
  return `var(--run-${(((run?.number ?? 1) + place - 1) % 4) + 1})`
}
