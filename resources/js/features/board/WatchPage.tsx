import { useEffect, useId, useMemo, useRef, useState, type SubmitEvent } from 'react'
import { useNavigate, useParams } from 'react-router'
import type { Watched } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { Waiting } from '../../ui/Waiting'
import { Wordmark } from '../../ui/Wordmark'
import { PointsSource } from '../timed'
import { BoardView } from './BoardView'
import { runOnBoard } from './source'
import { useEnter, useWatched, useWatchedLive, useWatchedRun } from './useWatched'

/** Onlookers have what is live at once; what is stored they ask for less often than the teacher's own screens. */
const POINTS_EACH_MS = 5000

/** Without an account: the code of a board, then the board. */
export function WatchPage() {
  const { code } = useParams()
  const [watched, setWatched] = useState<Watched | null>(null)
  const [isClosed, setIsClosed] = useState(false)
  if (watched !== null && !isClosed)
    return (
      <Onlooker
        key={watched.watchId}
        first={watched}
        onClosed={() => {
          setIsClosed(true)
        }}
      />
    )
  return <Door code={isClosed ? undefined : code} isClosed={isClosed} onEntered={handleEntered} />

  function handleEntered(entered: Watched) {
    setIsClosed(false)
    setWatched(entered)
  }
}

interface DoorProps {
  /** From the address, as a picture leads there. */
  code: string | undefined
  isClosed: boolean
  onEntered: (watched: Watched) => void
}

function Door({ code, isClosed, onEntered }: DoorProps) {
  const navigate = useNavigate()
  const [typed, setTyped] = useState(code ?? '')
  const enter = useEnter(onEntered)
  const { mutate } = enter
  const asked = useRef(false)
  const id = useId()
  useEffect(() => {
    if (code === undefined || asked.current) return
    asked.current = true
    mutate(code)
  }, [code, mutate])

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    void navigate(`/watch/${encodeURIComponent(typed.trim())}`, { replace: true })
    asked.current = true
    mutate(typed)
  }

  if (enter.isPending && code !== undefined) return <Waiting what="the board" />
  return (
    <main className="mx-auto flex min-h-dvh w-full max-w-md flex-col justify-center gap-4 p-6">
      <title>Watch · Welkion</title>
      <Wordmark />
      <h1 className="text-2xl font-semibold">Watch a board</h1>
      {isClosed ? <p role="status">This board was closed.</p> : null}
      <form onSubmit={handleSubmit} className="flex flex-col gap-3" noValidate>
        <label htmlFor={id}>The code on the projector: two words and a number</label>
        <input
          id={id}
          className="input input-lg bg-base-100 num w-full uppercase"
          value={typed}
          maxLength={40}
          autoFocus
          autoComplete="off"
          autoCapitalize="characters"
          spellCheck={false}
          placeholder="PLUM-FERN-472"
          onChange={(event) => {
            setTyped(event.target.value)
          }}
        />
        <button type="submit" className="btn btn-primary btn-lg" disabled={enter.isPending}>
          Watch
        </button>
        <ProblemNote problem={enter.error} />
      </form>
    </main>
  )
}

function Onlooker({ first, onClosed }: { first: Watched; onClosed: () => void }) {
  const watched = useWatched(first)
  const live = useWatchedLive(watched.data)
  const { notebook, channels, watchId } = watched.data
  const run = runOnBoard(notebook)
  const rows = useWatchedRun(watchId, run?.id ?? null, notebook.revision)
  const source = useMemo(() => ({ path: `/api/watch/${watchId}/runs`, renewedEachMs: POINTS_EACH_MS }), [watchId])
  const isClosed = watched.isClosed || live.isClosed
  useEffect(() => {
    if (isClosed) onClosed()
  }, [isClosed, onClosed])

  return (
    <PointsSource value={source}>
      <main className="board">
        <title>{`${notebook.title} · Welkion`}</title>
        <BoardView
          notebook={notebook}
          rows={rows.data ?? null}
          channels={channels}
          live={live.live}
          aside={null}
          hasLookBack
        />
      </main>
    </PointsSource>
  )
}
