import { useCallback, useState } from 'react'
import { Link } from 'react-router'
import type { Notebook, RunRows, RunSummary } from '../../lib/api/types'
import { counted, countOf } from '../../lib/format'
import { latestRun } from '../../lib/notebook/runs'
import { FitView, type FigureCanvas } from '../figure'
import { useRunRows } from '../notebook'
import { ThrowAway, TypeInstead } from '../runs'
import { TablePanel } from '../table'
import { RunFigure } from './RunFigure'
import { RunLinks } from './RunLinks'

interface TypedRecordProps {
  notebook: Notebook
  run: RunSummary
  rows: RunRows
  onRun: (id: number | null) => void
}

/** A run that is typed: its table, and the figure that grows beside it. */
export function TypedRecord({ notebook, run, rows, onRun }: TypedRecordProps) {
  const earlierRun = latestRun(notebook.runs.filter(({ id }) => id < run.id))
  const earlier = useRunRows(earlierRun?.id ?? null)
  const [canvas, setCanvas] = useState<FigureCanvas | null>(null)
  const handleReady = useCallback((made: FigureCanvas | null) => {
    setCanvas(made)
  }, [])
  const [figure] = notebook.figures
  return (
    <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-3 lg:grid lg:grid-cols-[minmax(27rem,44%)_1fr]">
      <TablePanel key={run.id} notebook={notebook} run={run} rows={rows} />
      <section className="panel flex min-h-96 min-w-0 flex-col p-4" aria-labelledby="figure-title">
        <div className="flex items-baseline gap-3">
          <h2 id="figure-title" className="flex-1 font-semibold">
            {figure?.shownTitle === undefined || figure.shownTitle === '' ? 'Figure' : figure.shownTitle}
          </h2>
          <FitView canvas={canvas} />
        </div>
        <div className="h-80 shrink-0 lg:h-auto lg:min-h-0 lg:flex-1">
          <RunFigure
            notebook={notebook}
            run={run}
            rows={rows}
            earlierRun={earlierRun}
            earlier={earlier.data ?? null}
            next={null}
            onReady={handleReady}
          />
        </div>
        {rows.typed?.isThinned === true && (
          <p className="quiet pt-2 text-sm">
            {counted(rows.rows.length)} of {countOf(rows.typed.rowCount, 'row')} are drawn; every calculation uses all.
          </p>
        )}
        <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2 pt-3 text-sm">
          <Link to={`/experiments/${notebook.id}/reason?run=${run.id}`} className="btn btn-primary btn-sm">
            Go to Reason
          </Link>
          <TypeInstead notebook={notebook} className="word-button">
            type another run
          </TypeInstead>
          <button
            type="button"
            className="word-button"
            onClick={() => {
              onRun(null)
            }}
          >
            record one
          </button>
          <span className="flex-1" />
          <ThrowAway
            run={run}
            experimentId={notebook.id}
            onGone={() => {
              onRun(null)
            }}
          />
        </div>
        <RunLinks notebook={notebook} except={run.id} />
      </section>
    </main>
  )
}
