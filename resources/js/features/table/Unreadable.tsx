import type { Notebook, RunRows, RunSummary } from '../../lib/api/types'
import { Note } from '../../ui/Note'
import { useTyping } from '../notebook'

const MOST_SHOWN = 3
const MOST_PLACES = 5

/** Cells that are no numbers, each with what was most likely meant; and those that are blank among others. */
export function Unreadable({ notebook, run, rows }: { notebook: Notebook; run: RunSummary; rows: RunRows }) {
  const { fill } = useTyping(run.id, notebook.id)
  const { unreadable = [], unreadableCount = 0, blanks = [] } = rows.typed ?? {}
  if (unreadable.length + blanks.length === 0) return null
  const more = unreadableCount - Math.min(MOST_SHOWN, unreadable.length)
  return (
    <Note tone="amber">
      {unreadable.slice(0, MOST_SHOWN).map(({ place, number, symbol, text, remedy }) => (
        <p key={`${number} ${symbol}`}>
          <strong>
            Row {place + 1}, {symbol}: “{text}” is no number.
          </strong>{' '}
          It is left out of figure and lines until it is put right.{' '}
          {remedy === null ? null : (
            <button
              type="button"
              className="word-button"
              onClick={() => {
                const column = notebook.columns.find((one) => one.symbol === symbol)
                if (column !== undefined) fill.act({ row: number, columns: [column.id], cells: [[remedy]] })
              }}
            >
              make it {remedy}
            </button>
          )}
        </p>
      ))}
      {more > 0 ? <p>{more} more like these.</p> : null}
      {blanks.map(({ symbol, count, places }) => (
        <p key={symbol}>
          {symbol} is blank in {count === 1 ? 'row' : 'rows'}{' '}
          {places
            .slice(0, MOST_PLACES)
            .map((place) => place + 1)
            .join(', ')}
          {count > MOST_PLACES ? ` and ${count - MOST_PLACES} more` : ''}, left out of figure and lines.
        </p>
      ))}
    </Note>
  )
}
