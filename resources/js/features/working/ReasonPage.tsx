import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { PageProblem } from '../../ui/PageProblem'
import { NOTHING, type Selection } from '../../lib/figure/selection'
import { Waiting } from '../../ui/Waiting'
import { useShell } from '../shell/useShell'
import { ReasonFigurePanel } from './ReasonFigurePanel'
import { TableDrawer } from './TableDrawer'
import { useWorking } from './useWorking'
import { WorkingPanel } from './WorkingPanel'

/** Reason: the figure at the left, the list of working at the right, the table as a drawer from below. */
export function ReasonPage() {
  const { experiment } = useShell()
  const [parameters, setParameters] = useSearchParams()
  const [selection, setSelection] = useState<Selection>(NOTHING)
  const asked = Number(parameters.get('run'))
  const withReadings = experiment.runs.filter((run) => run.readingCount > 0)
  const run = withReadings.find((other) => other.id === asked) ?? withReadings.at(-1)
  const working = useWorking(experiment.id, run?.id ?? null)

  if (run === undefined) {
    return (
      <main className="mx-auto flex max-w-lg flex-1 flex-col justify-center gap-4 p-8 text-center">
        <h2 className="text-xl font-semibold">Nothing to reason about yet</h2>
        <p className="quiet">
          Once a run has readings, its curve stands here, with the equivalence point and everything that follows from
          it.
        </p>
        <Link to={`/experiments/${experiment.id}/record`} className="btn btn-primary mx-auto">
          Record a run
        </Link>
      </main>
    )
  }
  if (working.isError) {
    return <PageProblem problem={working.error} />
  }
  if (working.data === undefined) return <Waiting what="the working" />

  return (
    <>
      <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 pt-4 pb-3 lg:grid lg:grid-cols-[2fr_1fr]">
        <ReasonFigurePanel
          experiment={experiment}
          working={working.data}
          runs={withReadings}
          selection={selection}
          onSelect={setSelection}
          onRun={(id) => {
            setParameters({ run: String(id) })
            setSelection(NOTHING)
          }}
        />
        <WorkingPanel
          experiment={experiment}
          working={working.data}
          isUpdating={working.isFetching}
          isComparing={parameters.get('compare') === 'yes'}
          onCompare={(isComparing) => {
            setParameters({ run: String(run.id), ...(isComparing ? { compare: 'yes' } : {}) })
          }}
        />
      </main>
      <TableDrawer experiment={experiment} working={working.data} selection={selection} onSelect={setSelection} />
    </>
  )
}
