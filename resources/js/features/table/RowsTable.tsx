import { useState } from 'react'
import type { Notebook, Row, RunRows } from '../../lib/api/types'
import type { Selection } from '../../lib/figure/selection'
import { cellText, columnHead, rowName } from '../../lib/notebook/labels'
import { markersAt, markersText } from '../../lib/notebook/markers'
import { isTypedIn } from '../../lib/table/cells'
import { SetAsideDialog, useSetAside } from '../reasonFigure'
import { TypedCell } from './TypedCell'

interface RowsTableProps {
  notebook: Notebook
  rows: RunRows
  selection: Selection
  onSelect: (selection: Selection) => void
}

/** The rows of a run; picking one picks its point. */
export function RowsTable({ notebook, rows, selection, onSelect }: RowsTableProps) {
  const [asking, setAsking] = useState<Row | null>(null)
  const { takeBack } = useSetAside(notebook, rows)
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const time = notebook.columns.find(({ kind }) => kind === 'time')
  const others = notebook.columns.filter(({ kind }) => kind !== 'step')
  const run = notebook.runs.find(({ id }) => id === rows.id)
  const problems = rows.columns.filter(({ problem }) => problem !== null)

  return (
    <div className="border-base-300 h-56 overflow-auto border-t" tabIndex={0} role="region" aria-label="Rows">
      <table className="num w-full text-right text-sm">
        <thead className="quiet bg-base-100 sticky top-0 z-10">
          <tr>
            <th scope="col" className="py-1 pl-4">
              {step === undefined ? 'row' : columnHead(step)}
            </th>
            {others.map((column) => (
              <th key={column.id} scope="col" className="pl-4" title={column.shownName}>
                {columnHead(column)}
              </th>
            ))}
            <th scope="col" className="px-4 text-left">
              {rows.timed === null ? 'Steady' : 'Marker'}
            </th>
            <th scope="col" className="px-4 text-left">
              In the calculation
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.rows.map((row, index) => {
            const isPicked = selection.kind === 'row' && selection.id === row.id
            const name = rowName(row, notebook.columns)
            return (
              <tr key={row.id} className={`border-base-300 border-t ${isPicked ? 'bg-(--green-paper)' : ''}`}>
                <td className="py-1 pl-4">
                  <button
                    type="button"
                    className="word-button"
                    aria-label={`Pick the reading at ${name}`}
                    onClick={() => {
                      onSelect({ kind: 'row', id: row.id })
                    }}
                  >
                    {step === undefined ? index + 1 : cellText(row, step)}
                  </button>
                </td>
                {others.map((column) => {
                  const error = row.cells[column.symbol]?.uncertainty ?? 0
                  return (
                    <td
                      key={column.id}
                      className={`pl-4 ${row.setAside === null ? '' : 'quiet line-through'}`}
                      title={error === 0 ? undefined : `± ${Number(error.toPrecision(2))}`}
                    >
                      {run !== undefined && isTypedIn(run, column) ? (
                        <TypedCell
                          experimentId={notebook.id}
                          runId={rows.id}
                          row={row}
                          column={column}
                          name={rowName(row, notebook.columns)}
                        />
                      ) : (
                        cellText(row, column)
                      )}
                    </td>
                  )
                })}
                <td className="px-4 text-left font-sans">
                  {rows.timed !== null ? null : row.wasSteady ? 'yes' : <span className="amber">no</span>}{' '}
                  {markersText(markersAt(rows.markers, rows.rows, index, time))}
                </td>
                <td className="px-4 text-left font-sans">
                  {row.setAside === null ? (
                    <button
                      type="button"
                      className="word-button font-normal!"
                      aria-label={`Set aside the reading at ${name}`}
                      onClick={() => {
                        setAsking(row)
                      }}
                    >
                      set aside
                    </button>
                  ) : (
                    <>
                      <span className="quiet">set aside: {row.setAside}</span>{' '}
                      <button
                        type="button"
                        className="word-button"
                        aria-label={`Take back the reading at ${name}`}
                        onClick={() => {
                          takeBack(row)
                        }}
                      >
                        take back
                      </button>
                    </>
                  )}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {problems.map(({ symbol, problem }) => (
        <p key={symbol} className="px-4 py-1 text-sm">
          <strong className="amber">{symbol}:</strong> {problem}
        </p>
      ))}
      {asking !== null ? (
        <SetAsideDialog
          notebook={notebook}
          rows={rows}
          readings={[asking]}
          onClose={() => {
            setAsking(null)
          }}
        />
      ) : null}
    </div>
  )
}
