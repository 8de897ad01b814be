import type { Row, RunRows } from '../api/types'

/** Whether a run has more rows than are known here. */
export function isThinned({ typed, timed }: Pick<RunRows, 'typed' | 'timed'>): boolean {
  return (typed ?? timed)?.isThinned === true
}

/** Rows of a run with those of a stretch in their place; what is known of a row stays. */
export function withNear(run: RunRows, near: { rows: readonly Row[] }): RunRows {
  const known = new Map(run.rows.map((row) => [row.id, row]))
  const fresh = near.rows.filter(({ id }) => !known.has(id))
  if (fresh.length === 0) return run
  return { ...run, rows: [...run.rows, ...fresh] }
}
