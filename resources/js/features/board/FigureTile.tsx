import { useEffect, useMemo, useState } from 'react'
import { clockWords } from '../../lib/timed/words'
import { RunFigure } from '../recording/RunFigure'
import { TimedFigure } from '../timed'
import { useSource } from './source'

/** Earlier runs that are drawn faint with the one in hand. */
const MOST_BESIDE = 3

/** The figure takes a phone a good part of a second to make; the numbers come before it, but not for ever. */
const WAITS_MS = 700

function useIsDue(isLive: boolean): boolean {
  const [isDue, setIsDue] = useState(isLive)
  useEffect(() => {
    const timer = setTimeout(
      () => {
        setIsDue(true)
      },
      isLive ? 0 : WAITS_MS,
    )
    return () => {
      clearTimeout(timer)
    }
  }, [isLive])
  return isDue
}

function ignore() {
  // A board needs nothing of the canvas.
}

/** The figure of the notebook, as it grows. */
export function FigureTile() {
  const { notebook, run, rows, live, at } = useSource()
  const others = useMemo(
    () => notebook.runs.filter(({ id, kind }) => id !== run?.id && kind === 'timed').slice(-MOST_BESIDE),
    [notebook.runs, run],
  )
  // Where one looks back to is seen as a marker is.
  const marked = useMemo(() => {
    if (rows?.timed == null || at === null) return rows
    const looked = { id: 0, at, row: null, name: clockWords(at) }
    return { ...rows, markers: [...rows.markers, looked] }
  }, [rows, at])
  const isDue = useIsDue(live !== null)
  const isTimed = run === null ? notebook.plan.runKind === 'timed' : run.kind === 'timed'
  return (
    <div className="min-h-0 flex-1">
      {!isDue ? null : isTimed ? (
        <TimedFigure
          notebook={notebook}
          run={run}
          rows={marked}
          others={others}
          live={live}
          newestS={null}
          onReady={ignore}
        />
      ) : (
        <RunFigure
          notebook={notebook}
          run={run}
          rows={rows}
          earlierRun={null}
          earlier={null}
          next={null}
          onReady={ignore}
        />
      )}
    </div>
  )
}
