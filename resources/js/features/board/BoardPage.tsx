import { Expand, Moon, Presentation, Sun } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import type { Board, Notebook } from '../../lib/api/types'
import { boardTheme, keepBoardTheme, tellFigures } from '../../lib/theme'
import { PageProblem } from '../../ui/PageProblem'
import { ProblemNote } from '../../ui/ProblemNote'
import { useKey } from '../../ui/useKey'
import { Waiting } from '../../ui/Waiting'
import { useExperimentChange, useNotebookNews, useNotebookQuery, useRunRows } from '../notebook'
import { useLiveBenches } from '../probes/useLiveBench'
import { ArrangementChoice } from './ArrangementChoice'
import { BoardView } from './BoardView'
import { runOnBoard } from './source'
import { useWatch } from './useWatch'
import { WatchDialog } from './WatchDialog'

/** The board on the projector. */
export function BoardPage() {
  const experimentId = Number(useParams().experimentId)
  const notebook = useNotebookQuery(experimentId)
  useNotebookNews(experimentId)
  if (notebook.data !== undefined) return <TeachersBoard notebook={notebook.data} />
  return notebook.isError ? (
    <PageProblem problem={notebook.error} back={{ to: '/experiments', words: 'Back to the experiments' }} />
  ) : (
    <Waiting what="the board" />
  )
}

function TeachersBoard({ notebook }: { notebook: Notebook }) {
  const run = runOnBoard(notebook)
  const rows = useRunRows(run?.id ?? null)
  const watch = useWatch(notebook.id, notebook.revision)
  const change = useExperimentChange(notebook.id)
  const [isArranged, setIsArranged] = useState(false)
  const [isWatchShown, setIsWatchShown] = useState(false)
  const [theme, setTheme] = useState(boardTheme)
  const [draft, setDraft] = useState<Board | null>(null)
  useEffect(tellFigures, [theme])
  useKey('f', handleFullScreen)

  function handleFullScreen() {
    if (document.fullscreenElement === null) void document.documentElement.requestFullscreen()
    else void document.exitFullscreen()
  }
  function handleTheme() {
    const next = theme === 'projector' ? 'projector-light' : 'projector'
    keepBoardTheme(next)
    setTheme(next)
  }
  function handleArrange(board: Board) {
    setDraft(board)
    change.act({ board }, () => {
      setDraft((newest) => (newest === board ? null : newest))
    })
  }

  // What was just arranged is seen before it is kept.
  const board = (change.error === null ? draft : null) ?? notebook.board
  const code = watch.data?.watch?.code
  return (
    <main className="board for-distance" data-theme={theme}>
      <title>{`${notebook.title} · board · Welkion`}</title>
      <nav aria-label="Board" className="quiet flex flex-wrap items-center gap-x-1 gap-y-1 text-base">
        <Link to={`/experiments/${notebook.id}/record`} className="btn btn-sm btn-ghost font-normal">
          Back to Record
        </Link>
        <span className="flex-1" />
        {isArranged ? <ArrangementChoice board={board} onArrange={handleArrange} /> : null}
        <button
          type="button"
          className="btn btn-sm btn-ghost font-normal"
          aria-pressed={isArranged}
          onClick={() => {
            setIsArranged(!isArranged)
          }}
        >
          {isArranged ? 'Done arranging' : 'Arrange'}
        </button>
        <button
          type="button"
          className="btn btn-sm btn-ghost font-normal"
          onClick={() => {
            setIsWatchShown(true)
          }}
        >
          <Presentation size={15} aria-hidden="true" /> Watch on other devices
        </button>
        <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={handleTheme}>
          {theme === 'projector' ? <Sun size={15} aria-hidden="true" /> : <Moon size={15} aria-hidden="true" />}
          {theme === 'projector' ? 'Light' : 'Dark'}
        </button>
        <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={handleFullScreen}>
          <Expand size={15} aria-hidden="true" /> Full screen <kbd className="key">F</kbd>
        </button>
      </nav>
      <ProblemNote problem={change.error ?? watch.error} />
      <LiveBoard
        notebook={notebook}
        benchId={watch.data?.benchId ?? null}
        besideId={watch.data?.besideId ?? null}
        view={{
          board,
          rows: rows.data ?? null,
          channels: watch.data?.channels ?? [],
          hasLookBack: false,
          onArrange: isArranged ? handleArrange : null,
          aside:
            code == null ? null : (
              <p className="quiet board-about">
                watch on your own device: <strong className="num text-base-content">{code}</strong>
              </p>
            ),
        }}
      />
      {isWatchShown ? (
        <WatchDialog
          experimentId={notebook.id}
          watch={watch.data?.watch ?? null}
          onClose={() => {
            setIsWatchShown(false)
          }}
        />
      ) : null}
    </main>
  )
}

interface LiveBoardProps {
  notebook: Notebook
  benchId: number | null
  besideId: number | null
  view: Omit<Parameters<typeof BoardView>[0], 'notebook' | 'live'>
}

/** Without a bench there is nothing live, and no channel to listen to. */
function LiveBoard({ notebook, benchId, besideId, view }: LiveBoardProps) {
  if (benchId === null) return <BoardView notebook={notebook} live={null} {...view} />
  return <BoardOfBench notebook={notebook} benchId={benchId} besideId={besideId} view={view} />
}

function BoardOfBench({ notebook, benchId, besideId, view }: LiveBoardProps & { benchId: number }) {
  const { live } = useLiveBenches(benchId, besideId)
  return <BoardView notebook={notebook} live={live} {...view} />
}
