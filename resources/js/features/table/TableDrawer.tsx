import { useState } from 'react'
import type { Notebook, RunRows, RunSummary } from '../../lib/api/types'
import type { Selection } from '../../lib/figure/selection'
import { countOf } from '../../lib/format'
import { columnHead } from '../../lib/notebook/labels'
import { RowsTable } from './RowsTable'
import { RunsTable } from './RunsTable'
import { TypedTable } from './TypedTable'

interface TableDrawerProps {
  notebook: Notebook
  run: RunSummary
  rows: RunRows
  selection: Selection
  onSelect: (selection: Selection) => void
  onRun: (id: number) => void
  /** A further line, by a method: a formula for each run is a column of theirs, others compare runs. */
  onLine: (method: string) => void
  /** A figure was made. */
  onFigure: () => void
}

/** The table, drawn up from below: the rows of the run in hand, or all runs. */
export function TableDrawer(props: TableDrawerProps) {
  const { notebook, run, rows, selection, onSelect, onRun, onLine, onFigure } = props
  const [shown, setShown] = useState<'rows' | 'runs' | null>(null)
  return (
    <section aria-label="Table" className="panel mx-5 mt-auto rounded-b-none! border-b-0!">
      <div className="flex w-full flex-wrap items-center gap-x-5 px-4 py-1.5 text-sm">
        {(['rows', 'runs'] as const).map((which) => (
          <button
            key={which}
            type="button"
            className={`cursor-pointer ${shown === which ? 'border-primary border-b-2 font-bold' : 'font-semibold'}`}
            aria-expanded={shown === which}
            onClick={() => {
              setShown(shown === which ? null : which)
            }}
          >
            {which === 'rows' ? 'Rows' : 'Runs'}
          </button>
        ))}
        {notebook.columns.map((column) => (
          <span key={column.id} className="quiet hidden sm:inline" title={column.shownName}>
            {columnHead(column)}
          </span>
        ))}
        <span className="flex-1" />
        <span className="quiet">
          {countOf((rows.timed ?? rows.typed)?.rowCount ?? rows.rows.length, 'row')},{' '}
          {countOf(notebook.runs.length, 'run')} <span aria-hidden="true">{shown === null ? '▲' : '▼'}</span>
        </span>
      </div>
      {shown === 'rows' && run.kind === 'typed' ? (
        <div className="flex h-64 flex-col">
          <TypedTable
            key={run.id}
            notebook={notebook}
            run={run}
            rows={rows}
            onPick={(id) => {
              onSelect({ kind: 'row', id })
            }}
          />
        </div>
      ) : shown === 'rows' ? (
        <RowsTable notebook={notebook} rows={rows} selection={selection} onSelect={onSelect} />
      ) : null}
      {shown === 'runs' ? (
        <RunsTable notebook={notebook} current={run.id} onRun={onRun} onLine={onLine} onFigure={onFigure} />
      ) : null}
    </section>
  )
}
