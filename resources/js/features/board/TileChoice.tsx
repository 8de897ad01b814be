import { GripHorizontal } from 'lucide-react'
import { useId } from 'react'
import type { Board, Tile } from '../../lib/api/types'
import { changed, columnsOf, MOST_COLUMNS, offeredColumns, swapped } from '../../lib/board/tiles'
import { useSource } from './source'

interface TileChoiceProps {
  board: Board
  place: number
  onArrange: (board: Board) => void
}

const KINDS: [Tile['shows'], string][] = [
  ['figure', 'a figure'],
  ['readout', 'a big readout'],
  ['level', 'a level'],
  ['table', 'a table'],
]

/** What a tile shows, in words that are changed; with the keyboard it is moved by a button instead of dragged. */
export function TileChoice({ board, place, onArrange }: TileChoiceProps) {
  const { notebook, run } = useSource()
  const id = useId()
  const tile = board.tiles[place]
  if (tile === undefined) return null
  const shown = columnsOf(tile, notebook).map(({ symbol }) => symbol)
  const offered = offeredColumns(tile.shows, notebook, run)
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-base">
      <GripHorizontal size={18} aria-hidden="true" className="quiet" />
      <label htmlFor={id} className="sr-only">
        {`What place ${place + 1} shows`}
      </label>
      <select
        id={id}
        className="select select-sm bg-base-100 w-auto text-base"
        value={tile.shows}
        onChange={(event) => {
          onArrange(changed(board, place, { shows: event.target.value as Tile['shows'], columns: tile.columns }))
        }}
      >
        {KINDS.map(([kind, words]) => (
          <option key={kind} value={kind}>
            {words}
          </option>
        ))}
      </select>
      {offered.length < 2 ? null : (
        <span role="group" aria-label={`Columns in place ${place + 1}`} className="flex flex-wrap gap-x-3">
          {offered.map((column) => (
            <label key={column.symbol} className="flex items-center gap-1">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={shown.includes(column.symbol)}
                disabled={shown.includes(column.symbol) ? shown.length === 1 : shown.length === MOST_COLUMNS}
                onChange={(event) => {
                  const columns = event.target.checked
                    ? [...shown, column.symbol]
                    : shown.filter((symbol) => symbol !== column.symbol)
                  onArrange(changed(board, place, { ...tile, columns }))
                }}
              />
              {column.shownName}
            </label>
          ))}
        </span>
      )}
      {place === 0 ? null : (
        <button
          type="button"
          className="word-button font-normal!"
          onClick={() => {
            onArrange(swapped(board, place, place - 1))
          }}
        >
          {`move to place ${place}`}
        </button>
      )}
    </div>
  )
}
