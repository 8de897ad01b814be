import { History, Presentation } from 'lucide-react'
import { useState } from 'react'
import { Link, Outlet, useParams } from 'react-router'
import { PageProblem } from '../../ui/PageProblem'
import { useKey } from '../../ui/useKey'
import { Waiting } from '../../ui/Waiting'
import { Wordmark } from '../../ui/Wordmark'
import { HistoryDialog } from '../history/HistoryDialog'
import { useNotebookNews, useNotebookQuery } from '../notebook'
import { BenchNotes } from '../probes/BenchNotes'
import { useLiveBench } from '../probes/useLiveBench'
import { KeysDialog } from './KeysDialog'
import { NotKept, SaveStateText } from './SaveStateText'
import { StagePath } from './StagePath'
import { ThemeButton } from './ThemeButton'
import { ExperimentTitle } from './ExperimentTitle'
import { UndoButtons } from './UndoButtons'

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
  const notebook = useNotebookQuery(experimentId)
  const [shown, setShown] = useState<'keys' | 'history' | null>(null)
  useNotebookNews(experimentId)
  useKey('?', () => {
    setShown('keys')
  })
  function handleClose() {
    setShown(null)
  }

  if (notebook.data === undefined) {
    return notebook.isError ? (
      <PageProblem problem={notebook.error} back={{ to: '/experiments', words: 'Back to the experiments' }} />
    ) : (
      <Waiting what="the experiment" />
    )
  }
  const data = notebook.data
  const { bench, beside } = data.runs.find((run) => run.state === 'open') ?? data
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh print:block print:h-auto">
      <title>{`${data.title} · Welkion`}</title>
      <header className="no-print border-base-300 bg-base-100 flex flex-wrap items-center gap-x-3 gap-y-1 border-b px-5 py-2 lg:h-[52px] lg:flex-nowrap">
        <Link to="/experiments" aria-label="Welkion, all experiments">
          <Wordmark />
        </Link>
        <span aria-hidden="true" className="bg-base-300 hidden h-7 w-px sm:block" />
        <ExperimentTitle key={data.id} notebook={data} />
        <StagePath experimentId={experimentId} stages={data.stages} />
        <div className="flex flex-1 flex-wrap items-center justify-end gap-x-1 lg:flex-nowrap">
          <UndoButtons notebook={data} />
          <SaveStateText since={new Date(data.updatedAt)} />
          <Link to={`/experiments/${experimentId}/board`} className="btn btn-sm btn-ghost px-2 font-normal">
            <Presentation size={15} aria-hidden="true" /> Board
          </Link>
          <button
            type="button"
            className="btn btn-sm btn-ghost px-2 font-normal"
            onClick={() => {
              setShown('history')
            }}
          >
            <History size={15} aria-hidden="true" /> History
          </button>
          <ThemeButton />
          <button
            type="button"
            className="btn btn-sm hidden sm:inline-flex btn-ghost px-2 font-normal"
            onClick={() => {
              setShown('keys')
            }}
          >
            Keys <kbd className="key">?</kbd>
          </button>
        </div>
      </header>
      <NotKept />
      {[bench, beside].map((one) => (one === null ? null : <ExperimentNotes key={one.id} bench={one} />))}
      <Outlet context={data} />
      {shown === 'keys' ? <KeysDialog onClose={handleClose} /> : null}
      {shown === 'history' ? <HistoryDialog experimentId={experimentId} onClose={handleClose} /> : null}
    </div>
  )
}
