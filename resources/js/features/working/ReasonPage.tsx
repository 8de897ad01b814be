import { useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { spansIn } from '../../lib/figure/spans'
import { NOTHING, type Selection } from '../../lib/figure/selection'
import { betweenOf, betweenText } from '../../lib/relations/between'
import { hasRows } from '../../lib/notebook/runs'
import { PageProblem } from '../../ui/PageProblem'
import { Waiting } from '../../ui/Waiting'
import { ReasonFigurePanel } from '../reasonFigure'
import { RelationsPanel } from '../relations'
import { StraightenPanel } from '../straighten'
import { useNotebook, useRunRows, useWorked } from '../notebook'
import { TableDrawer } from '../table'
import { AddLineDialog } from './AddLineDialog'
import { WorkingPanel } from './WorkingPanel'

/** Reason: the figure at the left, the list of working at the right, the table as a drawer from below. */
export function ReasonPage() {
  const whole = useNotebook()
  const [parameters, setParameters] = useSearchParams()
  const [selection, setSelection] = useState<Selection>(NOTHING)
  const asked = Number(parameters.get('run'))
  const withReadings = whole.runs.filter(hasRows)
  const run = withReadings.find((other) => other.id === asked) ?? withReadings.at(-1)
  // A span that lies elsewhere in the run in hand is seen, and worked over, there.
  const number = run?.number ?? 0
  const notebook = useMemo(() => ({ ...whole, spans: spansIn(whole.spans, number) }), [whole, number])
  // Which columns are looked at in the ways that may make them straight, instead of the figure.
  const wayOf = parameters.get('ways')?.split(',') ?? null
  const between = betweenOf(parameters.get('relations'))
  const [added, setAdded] = useState<string | null>(null)
  const worked = useWorked(notebook.id)
  const rows = useRunRows(run?.id ?? null)

  if (run === undefined) {
    return (
      <main className="mx-auto flex max-w-lg flex-1 flex-col justify-center gap-4 p-8 text-center">
        <h2 className="text-xl font-semibold">Nothing to reason about yet</h2>
        <p className="quiet">Once a run has readings, its figure stands here, with everything that follows from it.</p>
        <Link to={`/experiments/${notebook.id}/record`} className="btn btn-primary mx-auto">
          Record a run
        </Link>
      </main>
    )
  }
  const problem = worked.error ?? rows.error
  if (problem !== null && (worked.data === undefined || rows.data === undefined))
    return <PageProblem problem={problem} />
  if (worked.data === undefined || rows.data === undefined) return <Waiting what="the working" />

  return (
    <>
      <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 pt-4 pb-3 lg:grid lg:grid-cols-[2fr_1fr] lg:grid-rows-[minmax(0,1fr)]">
        {between !== null ? (
          <RelationsPanel
            notebook={notebook}
            run={run}
            between={between}
            onBetween={(chosen) => {
              setParameters({ run: String(run.id), relations: betweenText(chosen) }, { replace: true })
            }}
            onBack={() => {
              setParameters({ run: String(run.id) })
            }}
          />
        ) : wayOf === null ? (
          <ReasonFigurePanel
            notebook={notebook}
            worked={worked.data.worked}
            run={run}
            rows={rows.data}
            isNewestFirst={parameters.get('figure') === 'newest'}
            selection={selection}
            onSelect={setSelection}
            onStraighten={(x, y) => {
              setParameters({ run: String(run.id), ways: `${x},${y}` })
            }}
            onRelations={(chosen) => {
              setParameters({ run: String(run.id), relations: betweenText(chosen) })
              setSelection(NOTHING)
            }}
            onRun={(id) => {
              setParameters({ run: String(id) })
              setSelection(NOTHING)
            }}
          />
        ) : (
          <StraightenPanel
            notebook={notebook}
            run={run}
            x={wayOf[0] ?? ''}
            y={wayOf[1] ?? ''}
            onColumns={(x, y) => {
              setParameters({ run: String(run.id), ways: `${x},${y}` }, { replace: true })
            }}
            onBack={(isNew) => {
              setParameters({ run: String(run.id), ...(isNew ? { figure: 'newest' } : {}) })
            }}
          />
        )}
        <WorkingPanel
          notebook={notebook}
          worked={worked.data.worked}
          run={run}
          rows={rows.data}
          selection={selection}
          isComparing={parameters.get('compare') === 'yes'}
          onCompare={(isComparing) => {
            setParameters({ run: String(run.id), ...(isComparing ? { compare: 'yes' } : {}) })
          }}
        />
      </main>
      <TableDrawer
        notebook={notebook}
        run={run}
        rows={rows.data}
        selection={selection}
        onSelect={setSelection}
        onRun={(id) => {
          setParameters({ run: String(id) })
          setSelection(NOTHING)
        }}
        onLine={setAdded}
        onFigure={() => {
          setParameters({ run: String(run.id), figure: 'newest' })
          setSelection(NOTHING)
        }}
      />
      {added !== null ? (
        <AddLineDialog
          notebook={notebook}
          selection={NOTHING}
          methodKey={added}
          onClose={() => {
            setAdded(null)
          }}
        />
      ) : null}
    </>
  )
}
