import type { Column, LiveProbe, RunRows } from '../api/types'
import { fixed } from '../format'
import { numberOf, unitBehind } from './labels'

/** Beyond this nobody waits with an eye on the number. */
const LONG_S = 90

/** What is to be said of a column that should stay the same, before the next reading; null while it does. */
export function movedWords(column: Column, within: number, rows: RunRows, live: LiveProbe | null): string | null {
  const first = rows.rows[0] === undefined ? null : numberOf(rows.rows[0], column)
  const now = column.isRaw ? (live?.raw ?? null) : (live?.value ?? null)
  if (first === null || now === null || Math.abs(now - first) <= within) return null
  const far = `${fixed(Math.abs(now - first), column.decimals ?? 1)} ${unitBehind(column.unit, column.symbol)}`
  const wait =
    live?.secondsMore != null && live.secondsMore <= LONG_S
      ? `wait about ${Math.max(1, Math.round(live.secondsMore))} s`
      : 'wait until it has come back'
  return `${column.shownName} stands ${far.trim()} ${now > first ? 'above' : 'below'} the first reading: ${wait}.`
}
