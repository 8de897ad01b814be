import { useMemo, useState, type ReactNode } from 'react'
import type { Board, BoardChannel, LiveBench, Notebook, RunRows } from '../../lib/api/types'
import { reachOf } from '../../lib/board/values'
import { countOf } from '../../lib/format'
import { clockWords, durationWords } from '../../lib/timed/words'
import { timedNow, usePoints } from '../timed'
import { BoardGrid } from './BoardGrid'
import { LookBack } from './LookBack'
import { runOnBoard, Source, type BoardSource } from './source'

interface BoardViewProps {
  notebook: Notebook
  rows: RunRows | null
  channels: readonly BoardChannel[]
  live: LiveBench | null
  /** What stands at the right of the title. */
  aside: ReactNode
  /** Whether it shows the bar to look back with. */
  hasLookBack: boolean
  board?: Board
  onArrange?: ((board: Board) => void) | null
}

const NO_SYMBOLS: string[] = []

/** A title, and the tiles: what the projector and the devices of a class show. */
export function BoardView({ notebook, rows, channels, live, aside, hasLookBack, board, onArrange }: BoardViewProps) {
  const [at, setAt] = useState<number | null>(null)
  const run = runOnBoard(notebook)
  const runs = useMemo(() => (run === null ? [] : [run]), [run])
  const symbols = useMemo(
    () => notebook.columns.filter(({ kind }) => kind === 'measured').map(({ symbol }) => symbol),
    [notebook.columns],
  )
  const reach = reachOf(run?.timed?.plan.rate ?? 1)
  const [then = null] = usePoints(
    at === null ? [] : runs,
    at === null ? NO_SYMBOLS : symbols,
    at === null ? null : { from: at - reach, to: at + reach },
  )
  const source = useMemo((): BoardSource => {
    // Looking back in a stepwise run leaves out the readings that came later.
    const shown =
      rows !== null && run?.kind === 'stepwise' && at !== null ? { ...rows, rows: rows.rows.slice(0, at) } : rows
    return { notebook, run, rows: shown, channels, live, at, then }
  }, [notebook, run, rows, channels, live, at, then])

  return (
    <Source value={source}>
      <header className="board-head">
        <h1 className="board-title">{notebook.title}</h1>
        <RunWords source={source} />
        <span className="flex-1" />
        {aside}
      </header>
      <BoardGrid board={board ?? notebook.board} onArrange={onArrange ?? null} />
      {hasLookBack ? <LookBack count={rows?.rows.length ?? 0} onLook={setAt} /> : null}
    </Source>
  )
}

/** "run 2 · Birch · recording 3:54". */
function RunWords({ source: { run, live, rows } }: { source: BoardSource }) {
  if (run === null) return <p className="quiet board-about">no run yet</p>
  const now = run.timed === null ? null : timedNow(run, live)
  const state =
    run.state !== 'open'
      ? now === null
        ? countOf(rows?.rows.length ?? run.readingCount, 'reading')
        : durationWords(Number(now.elapsed.toFixed(1)))
      : now === null
        ? `${countOf(rows?.rows.length ?? run.readingCount, 'reading')} so far`
        : now.state === 'waiting'
          ? 'waits'
          : now.state === 'ended'
            ? 'ended'
            : `recording ${clockWords(now.elapsed)}`
  return (
    <p className="quiet board-about">
      {[run.name, run.bench?.name].filter((part) => part != null).join(' · ')} ·{' '}
      <span className={run.state === 'open' ? 'amber' : ''}>{state}</span>
    </p>
  )
}
