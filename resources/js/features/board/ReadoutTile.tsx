import type { Column, Tile } from '../../lib/api/types'
import { columnColour, columnsOf } from '../../lib/board/tiles'
import { shownNumber, type Now } from '../../lib/board/values'
import { signed } from '../../lib/format'
import { useSource } from './source'
import { useTileValue } from './useTileValue'

/** Numbers that are read from the last row. */
export function ReadoutTile({ tile }: { tile: Tile }) {
  const { notebook, run } = useSource()
  const valueOf = useTileValue()
  const columns = columnsOf(tile, notebook)
  if (columns.length === 0) return <p className="quiet m-auto">Nothing is measured in this experiment yet.</p>
  return (
    <ul className="board-readouts">
      {columns.map((column) => {
        const now = valueOf(column)
        const text = shownNumber(now.value, column)
        return (
          <li key={column.symbol} className="flex min-h-0 flex-col">
            <span className="board-name" style={{ color: columnColour(notebook, run, column.symbol) }}>
              {column.shownName}
            </span>
            <span
              className="num board-number"
              style={{ '--lines': columns.length, '--letters': lettersOf(text, column) } as React.CSSProperties}
            >
              {text}
              <span className="quiet board-unit">{column.unit}</span>
            </span>
            <StateLine column={column} now={now} />
          </li>
        )
      })}
    </ul>
  )
}

/** A number must not change its size with each digit. */
const LEAST_LETTERS = 5
/** A unit is smaller than its number, and stands a little apart. */
const UNIT_SHARE = 0.42
const UNIT_APART = 0.6

/** How wide a number is with its unit, in letters. */
function lettersOf(text: string, column: Column): number {
  return Math.max(LEAST_LETTERS, text.length) + UNIT_APART + UNIT_SHARE * column.unit.length
}

/** Whether the number may be read, and which way it goes. */
function StateLine({ column, now }: { column: Column; now: Now }) {
  const { at } = useSource()
  if (at !== null) return <span className="quiet board-state">at this moment of the run</span>
  if (now.probe === null) return <span className="quiet board-state">&nbsp;</span>
  if (now.probe.state === 'silent') return <span className="quiet board-state">no signal</span>
  if (now.probe.state === 'unplugged') return <span className="amber board-state">unplugged</span>
  if (now.value === null) return <span className="amber board-state">not calibrated yet</span>
  if (now.probe.state === 'steady') return <span className="text-success board-state">steady</span>
  const drift = column.isRaw ? now.probe.rawDriftPerMinute : now.probe.valueDriftPerMinute
  return (
    <span className="quiet board-state">
      settling
      {drift === null ? '' : ` · ${signed(drift, column.decimals ?? 1)} ${column.unit}/min`}
    </span>
  )
}
