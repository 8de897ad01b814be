import type { LiveBench, RunSummary } from '../../lib/api/types'

export interface TimedNow {
  state: 'waiting' | 'recording' | 'ended'
  /** Clock of the bench when it began, s. */
  zero: number | null
  /** s since it began; what it came to when it has ended. */
  elapsed: number
}

/** How a timed run stands this moment: what the recorder shows live is newer than what is stored. */
export function timedNow(run: RunSummary, live: LiveBench | null): TimedNow {
  const shown = live?.timedRuns.find(({ runId }) => runId === run.id)
  const zero = shown?.zero ?? run.timed?.zero ?? null
  const endedS = run.state === 'open' ? (shown?.endedS ?? null) : (run.timed?.endedS ?? shown?.endedS ?? 0)
  if (endedS !== null && (run.state !== 'open' || shown?.state === 'ended'))
    return { state: 'ended', zero, elapsed: endedS }
  if (zero === null) return { state: 'waiting', zero, elapsed: 0 }
  return { state: 'recording', zero, elapsed: Math.max(0, (live?.time ?? zero) - zero) }
}
