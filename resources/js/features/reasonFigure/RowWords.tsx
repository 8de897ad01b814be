import type { ReactNode } from 'react'
import type { Notebook, Row, RunRows } from '../../lib/api/types'
import { cellText, numberOf, rowName, unitBehind } from '../../lib/notebook/labels'
import { markersAt } from '../../lib/notebook/markers'
import { secondsIn } from '../../lib/timed/words'
import { NoteWords } from './NoteWords'

interface RowWordsProps {
  notebook: Notebook
  rows: RunRows
  row: Row
  onSetAside: (readings: readonly Row[]) => void
  onTakeBack: (reading: Row) => void
  onClear: () => void
  children: ReactNode
}

/** What a reading is, and what can be done with it. */
export function RowWords({ notebook, rows, row, onSetAside, onTakeBack, onClear, children }: RowWordsProps) {
  const isAside = row.setAside !== null
  const told = (notebook.figures[0]?.panels[0]?.y ?? []).flatMap(
    (symbol) => notebook.columns.find((one) => one.symbol === symbol) ?? [],
  )
  const time = notebook.columns.find(({ kind }) => kind === 'time')
  const read = time === undefined ? null : numberOf(row, time)
  const moment = rows.timed === null ? 0 : read === null ? null : read * secondsIn(time?.unit ?? 's')
  return (
    <>
      <p className="quiet">
        {rowName(row, notebook.columns)} ·{' '}
        {told
          .map((column) => {
            const cell = row.cells[column.symbol]
            const error = cell == null || cell.uncertainty === 0 ? '' : ` ± ${Number(cell.uncertainty.toPrecision(2))}`
            return `${column.symbol} ${cellText(row, { ...column, decimals: null })}${error} ${unitBehind(column.unit, column.symbol)}`.trim()
          })
          .join(' · ')}
        {row.wasSteady ? '' : ' · not steady'}
      </p>
      {isAside ? <p className="quiet">set aside: {row.setAside}</p> : null}
      {children}
      {moment === null ? null : (
        <NoteWords
          key={row.id}
          experimentId={notebook.id}
          runId={rows.id}
          where={rows.timed === null ? { row: row.number } : { at: moment }}
          notes={markersAt(rows.markers, rows.rows, rows.rows.indexOf(row), time)}
        />
      )}
      <p className="flex gap-x-4">
        <button
          type="button"
          className="word-button"
          onClick={() => {
            if (isAside) onTakeBack(row)
            else onSetAside([row])
          }}
        >
          {isAside ? 'take back' : 'set aside'}
        </button>
        <button type="button" className="word-button" onClick={onClear}>
          clear
        </button>
      </p>
    </>
  )
}
