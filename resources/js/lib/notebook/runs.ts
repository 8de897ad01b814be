import type { RunSummary } from '../api/types'
import { countOf } from '../format'
import { durationWords } from '../timed/words'

/** Whether a run has anything to reason about. */
export function hasRows(run: RunSummary): boolean {
  return run.timed === null ? run.readingCount > 0 : !run.timed.isWaiting
}

/** The one begun last, wherever it stands. */
export function latestRun(runs: readonly RunSummary[]): RunSummary | null {
  return runs.reduce<RunSummary | null>((latest, run) => (latest === null || run.id > latest.id ? run : latest), null)
}

/** How much there is of a run: "12 readings", "90 s", "recording". */
export function amountWords(run: RunSummary): string {
  if (run.timed === null) return countOf(run.readingCount, run.kind === 'typed' ? 'row' : 'reading')
  if (run.timed.isWaiting) return 'waits'
  if (run.state === 'open') return 'recording'
  return durationWords(Number((run.timed.endedS ?? 0).toFixed(1)))
}

/** What a run is put before so that it stands where another stands now; null for the end. */
export function putInPlaceOf(runs: readonly RunSummary[], moved: number, other: number): number | null {
  const from = runs.findIndex(({ id }) => id === moved)
  const to = runs.findIndex(({ id }) => id === other)
  return from < to ? (runs[to + 1]?.id ?? null) : other
}
