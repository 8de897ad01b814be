import type { RunSummary } from '../api/types'
import { countOf } from '../format'
import { durationWords } from '../timed/words'

/** Whether a run has anything to reason about. */
export function hasRows(run: RunSummary): boolean {
  return run.timed === null ? run.readingCount > 0 : !run.timed.isWaiting
}

/** How much there is of a run: "12 readings", "90 s", "recording". */
export function amountWords(run: RunSummary): string {
  if (run.timed === null) return countOf(run.readingCount, 'reading')
  if (run.timed.isWaiting) return 'waits'
  if (run.state === 'open') return 'recording'
  return durationWords(Number((run.timed.endedS ?? 0).toFixed(1)))
}
