import type { Column, Notebook, Row, RunRows } from '../../lib/api/types'
import { OUTLIER } from '../../lib/notebook/deleted'
import { cellText, columnHead, stepWords } from '../../lib/notebook/labels'
import { useNotices } from '../../ui/notices'
import { useRunActions, useUndo } from '../notebook'
import { TypedCell } from '../table'

interface ReadingsTableProps {
  notebook: Notebook
  rows: RunRows | null
}

const MOST_COLUMNS = 4

/** What fits beside the figure: the step, and what is measured by a calibration. */
function shownColumns(columns: readonly Column[]): Column[] {
  const step = columns.filter(({ kind }) => kind === 'step')
  const measured = columns.filter(({ kind, isRaw }) => kind === 'measured' && !isRaw)
  const raw = columns.filter(({ kind, isRaw }) => kind === 'measured' && isRaw)
  // What is typed beside them has to be typed somewhere.
  const typed = columns.filter(({ kind, isHidden }) => kind === 'typed' && !isHidden).slice(0, 1)
  return [
    ...step,
    ...(measured.length === 0 ? raw : [...measured, ...raw]).slice(
      0,
      MOST_COLUMNS - step.length - typed.length - (measured.length > 1 ? raw.length : 0),
    ),
    ...typed,
  ]
}

/** The readings of the run, newest first, each with what can be done to it. */
export function ReadingsTable({ notebook, rows }: ReadingsTableProps) {
  const { tell } = useNotices()
  const actions = useRunActions(rows?.id ?? 0, notebook.id)
  const { undo } = useUndo(notebook.id)
  const columns = shownColumns(notebook.columns)
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const readings = [...(rows?.rows ?? [])].sort((a, b) => b.takenAt.localeCompare(a.takenAt))

  function handleDelete(row: Row) {
    actions.removeReading.act(row.id, () => {
      tell(`The reading at ${stepWords(row.step, step)} is deleted. ${OUTLIER}`, () => {
        undo.act()
      })
    })
  }

  return (
    <section className="panel flex min-h-0 flex-col" aria-labelledby="readings-title">
      <div className="flex items-baseline justify-between px-4 pt-4 pb-2">
        <h2 id="readings-title" className="font-semibold">
          Readings
        </h2>
        <span className="quiet text-sm">newest first</span>
      </div>
      {readings.length === 0 ? (
        <p className="quiet px-4 pb-4">
          Each reading becomes a row here:{' '}
          {columns.map(({ shownName }) => shownName.toLowerCase().replace('ph', 'pH')).join(', ') || 'what is measured'}{' '}
          at that moment.
        </p>
      ) : (
        <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} role="group" aria-label="Readings, table">
          <table className="num w-full text-right text-sm">
            <thead className="quiet bg-base-100 sticky top-0">
              <tr>
                {columns.map((column) => (
                  <th key={column.id} scope="col" className="py-1.5 pl-2 font-semibold" title={column.shownName}>
                    {columnHead(column)}
                  </th>
                ))}
                <th scope="col" className="w-14">
                  <span className="sr-only">Actions</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {readings.map((row, index) => (
                <tr
                  key={row.id}
                  className={`border-base-300 border-t ${index === 0 ? 'bg-(--green-paper) font-bold' : ''} ${
                    row.setAside === null ? '' : 'quiet line-through'
                  }`}
                >
                  {columns.map((column, place) => (
                    <td
                      key={column.id}
                      className={`py-1.5 pl-2 ${column.isWords ? 'text-left font-sans' : ''}`}
                      title={place === 1 && !row.wasSteady ? 'taken before it was steady' : undefined}
                    >
                      {place === 1 && !row.wasSteady ? (
                        <span className="amber" aria-label="not steady, ">
                          ~
                        </span>
                      ) : null}
                      {column.kind === 'typed' && rows !== null ? (
                        <TypedCell
                          experimentId={notebook.id}
                          runId={rows.id}
                          row={row}
                          column={column}
                          name={stepWords(row.step, step)}
                        />
                      ) : (
                        cellText(row, column)
                      )}
                    </td>
                  ))}
                  <td className="pr-3">
                    <button
                      type="button"
                      className="word-button font-sans! text-xs font-normal!"
                      aria-label={`Delete the reading at ${stepWords(row.step, step)}`}
                      onClick={() => {
                        handleDelete(row)
                      }}
                    >
                      delete
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  )
}
