import type { Change } from '../api/types'

/** A change with another reason for what it sets aside: nothing else hangs on the reason. */
export function giveReason(change: Change, before: string, reason: string): Change {
  return {
    ...change,
    rows: change.rows.map((run) => ({
      ...run,
      rows: run.rows.map((row) => (row.setAside === before ? { ...row, setAside: reason } : row)),
    })),
    undo: change.undo?.replace(before, () => reason) ?? null,
  }
}
