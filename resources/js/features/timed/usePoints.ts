import { useQueries } from '@tanstack/react-query'
import { createContext, useContext, useState } from 'react'
import { Problem } from '../../lib/api/problem'
import { send } from '../../lib/api/send'
import type { LiveBench, RunSummary } from '../../lib/api/types'
import type { Point } from '../../lib/figure/drawn'
import { unpackPoints, type RunPoints } from '../../lib/timed/points'

/** Columns of pixels that are asked for. */
export const WIDTH = 900

/** Where points of runs are asked for, and how often of one that is recorded; an onlooker of a board asks elsewhere, and seldom. */
export const PointsSource = createContext({ path: '/api/runs', renewedEachMs: 500 })
/** What was shown live is kept until it comes with what is stored; that is never longer. */
const TAIL_S = 20

const NO_TAIL: ReadonlyMap<number, readonly Point[]> = new Map()

/** What part of a run is looked at, in s after it began; null: all of it. */
export type Stretch = { from: number; to: number } | null

async function fetchPoints(
  path: string,
  runId: number,
  symbols: readonly string[],
  stretch: Stretch,
): Promise<RunPoints> {
  const query = new URLSearchParams({ columns: symbols.join(','), width: String(WIDTH) })
  if (stretch !== null) {
    query.set('from', String(stretch.from))
    query.set('to', String(stretch.to))
  }
  const url = new URL(`${path}/${runId}/points?${query.toString()}`, location.href)
  const answer = await send(new Request(url, { headers: { Accept: 'application/octet-stream' } }))
  if (!answer.ok) throw Problem.from(answer.status, await answer.json(), url.pathname)
  return unpackPoints(await answer.arrayBuffer(), symbols)
}

/** How soon points are asked for again, in ms: while it is recorded, and until all of one that has ended is there. */
function renewedEach(run: RunSummary, stretch: Stretch, points: RunPoints | undefined, eachMs: number): number | false {
  if (run.timed === null || run.timed.isWaiting) return false
  if (run.state === 'open') return eachMs
  const isWhole = stretch !== null || points === undefined || points.to === run.timed.endedS
  return isWhole ? false : eachMs
}

/** What can be seen of some timed runs; of those that are recorded again and again. */
export function usePoints(runs: readonly RunSummary[], symbols: readonly string[], stretch: Stretch) {
  const { path, renewedEachMs } = useContext(PointsSource)
  return useQueries({
    queries: runs.map((run) => ({
      queryKey: ['points', path, run.id, symbols.join(','), stretch?.from, stretch?.to],
      queryFn: () => fetchPoints(path, run.id, symbols, stretch),
      enabled: run.timed !== null && !run.timed.isWaiting && symbols.length > 0,
      refetchInterval: ({ state }: { state: { data: RunPoints | undefined } }) =>
        renewedEach(run, stretch, state.data, renewedEachMs),
      // Until another stretch has come, the last one of the same run stays.
      placeholderData: (before: RunPoints | undefined, query: { queryKey: readonly unknown[] } | undefined) =>
        query?.queryKey[2] === run.id && query.queryKey[3] === symbols.join(',') ? before : undefined,
      staleTime: run.state === 'open' ? 0 : Infinity,
    })),
    combine: (results) => results.map(({ data }) => data ?? null),
  })
}

/** What was shown live of a run since a moment ago, by probe: it is on the screen before it is stored. */
export function useLiveTail(live: LiveBench | null, zero: number | null): ReadonlyMap<number, readonly Point[]> {
  const [tail, setTail] = useState(NO_TAIL)
  const [seen, setSeen] = useState<{ time: number | null; zero: number | null }>({ time: null, zero: null })
  const time = live?.time ?? null
  if (seen.time !== time || seen.zero !== zero) {
    setSeen({ time, zero })
    setTail(
      zero === null || time === null || live === null
        ? NO_TAIL
        : grown(seen.zero === zero ? tail : NO_TAIL, live, time - zero),
    )
  }
  return tail
}

function grown(tail: ReadonlyMap<number, readonly Point[]>, live: LiveBench, now: number) {
  return new Map(
    live.probes
      .filter(({ recent }) => recent.length === 0)
      .map(({ id, value }): [number, readonly Point[]] => {
        const before = (tail.get(id) ?? []).filter(([t]) => t > now - TAIL_S && t < now)
        return [id, value === null ? before : [...before, [now, value]]]
      }),
  )
}
