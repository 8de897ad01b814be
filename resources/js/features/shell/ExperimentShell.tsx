import { useState } from 'react'
import { Link, Outlet, useParams } from 'react-router'
import { PageProblem } from '../../ui/PageProblem'
import { useKey } from '../../ui/useKey'
import { Waiting } from '../../ui/Waiting'
import { useExperiment } from '../experiments/useExperiment'
import { BenchNotes } from '../probes/BenchNotes'
import { useLiveBench } from '../probes/useLiveBench'
import { useExperimentNews } from '../experiments/useExperimentNews'
import { KeysDialog } from './KeysDialog'
import { SaveStateText } from './SaveStateText'
import { StagePath } from './StagePath'
import { ThemeButton } from './ThemeButton'
import { Wordmark } from './Wordmark'
import type { ShellContext } from './useShell'

/** On all four stages: what is in danger is told wherever one looks. */
function ExperimentNotes({ bench }: { bench: { id: number; name: string } }) {
  const live = useLiveBench(bench.id)
  if (live === null || live.notes.length === 0) return null
  return (
    <div className="no-print px-5 pt-3">
      <BenchNotes benchName={bench.name} live={live} />
    </div>
  )
}

/** The slim top line, and below it the stage one is in. */
export function ExperimentShell() {
  const experimentId = Number(useParams().experimentId)
  const experiment = useExperiment(experimentId)
  const [isShowingKeys, setIsShowingKeys] = useState(false)
  useExperimentNews(experimentId)
  useKey('?', () => {
    setIsShowingKeys(true)
  })

  if (experiment.isError) {
    return <PageProblem problem={experiment.error} back={{ to: '/experiments', words: 'Back to the experiments' }} />
  }
  if (experiment.isPending) return <Waiting what="the experiment" />

  const context: ShellContext = { experiment: experiment.data }
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh print:block print:h-auto">
      <title>{`${experiment.data.title} · Welkion`}</title>
      <header className="no-print border-base-300 bg-base-100 flex flex-wrap items-center gap-x-4 gap-y-1 border-b px-5 py-2 lg:h-[52px] lg:flex-nowrap">
        <Link to="/experiments" aria-label="Welkion, all experiments">
          <Wordmark />
        </Link>
        <span aria-hidden="true" className="bg-base-300 hidden h-7 w-px sm:block" />
        <h1 className="min-w-0 flex-1 truncate font-semibold">{experiment.data.title}</h1>
        <StagePath experimentId={experimentId} stages={experiment.data.stages} />
        <div className="flex flex-1 items-center justify-end gap-2">
          <SaveStateText since={new Date(experiment.data.updatedAt)} />
          <ThemeButton />
          <button
            type="button"
            className="btn btn-sm btn-ghost font-normal"
            onClick={() => {
              setIsShowingKeys(true)
            }}
          >
            Keys <kbd className="key">?</kbd>
          </button>
        </div>
      </header>
      <ExperimentNotes bench={experiment.data.bench} />
      <Outlet context={context} />
      {isShowingKeys ? (
        <KeysDialog
          onClose={() => {
            setIsShowingKeys(false)
          }}
        />
      ) : null}
    </div>
  )
}
