import { useMemo } from 'react'
import type { Column, Tile } from '../../lib/api/types'
import { columnColour, columnsOf } from '../../lib/board/tiles'
import { share, shownNumber } from '../../lib/board/values'
import { niceRange } from '../../lib/figure/axes'
import { numberOf } from '../../lib/notebook/labels'
import { plainNumber } from '../../lib/timed/words'
import { usePoints } from '../timed'
import { useSource } from './source'
import { useTileValue } from './useTileValue'

const MOST_STEPS = 5

/** Bars from the least to the greatest, with a mark where the run began. */
export function LevelTile({ tile }: { tile: Tile }) {
  const { notebook, run } = useSource()
  const columns = columnsOf(tile, notebook)
  const symbols = useMemo(
    () => columns.filter(({ kind }) => kind === 'measured').map(({ symbol }) => symbol),
    [columns],
  )
  const runs = useMemo(() => (run === null ? [] : [run]), [run])
  const [points = null] = usePoints(runs, symbols, null)
  if (columns.length === 0) return <p className="quiet m-auto">Nothing is measured in this experiment yet.</p>
  return (
    <ul className="flex min-h-0 flex-1 flex-col justify-evenly gap-5 pt-2">
      {columns.map((column) => (
        <Level key={column.symbol} tile={tile} column={column} seen={points?.lines[column.symbol] ?? []} />
      ))}
    </ul>
  )
}

interface LevelProps {
  tile: Tile
  column: Column
  seen: readonly (readonly [number, number])[]
}

function Level({ tile, column, seen }: LevelProps) {
  const { notebook, run, rows } = useSource()
  const { value } = useTileValue()(column)
  const typed = (rows?.rows ?? []).flatMap((row) => numberOf(row, column) ?? [])
  const values = [...seen.map(([, v]) => v), ...(run?.kind === 'timed' ? [] : typed)]
  const start = values[0] ?? null
  const range =
    tile.from !== undefined && tile.to !== undefined
      ? { min: tile.from, max: tile.to, step: (tile.to - tile.from) / MOST_STEPS }
      : niceRange([...values, ...(value === null ? [] : [value]), 0], null, MOST_STEPS)
  const steps = Math.round((range.max - range.min) / range.step)
  const ticks = Array.from({ length: steps + 1 }, (_, i) => range.min + range.step * i)
  const colour = columnColour(notebook, run, column.symbol)
  return (
    <li className="board-level" aria-label={`${column.shownName}: ${shownNumber(value, column)} ${column.unit}`}>
      <span className="board-name" style={{ color: colour }}>
        {column.shownName} <span className="quiet font-normal">{column.unit}</span>
      </span>
      <div className="relative" aria-hidden="true">
        <div className="bg-base-300 board-bar overflow-hidden rounded">
          {value === null ? null : (
            <div
              className="h-full rounded"
              style={{ width: `${share(value, range.min, range.max) * 100}%`, background: colour }}
            />
          )}
        </div>
        {start === null ? null : (
          <span
            className="bg-base-content absolute -inset-y-1 w-[3px]"
            style={{ left: `${share(start, range.min, range.max) * 100}%` }}
          >
            <span className="quiet board-mark">start</span>
          </span>
        )}
        <div className="num board-ticks flex justify-between">
          {ticks.map((tick) => (
            <span key={tick}>{plainNumber(tick)}</span>
          ))}
        </div>
      </div>
    </li>
  )
}
