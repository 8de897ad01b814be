import type { Column } from '../../lib/api/types'
import { liveValue, reachOf, valueAt, type Now } from '../../lib/board/values'
import { numberOf } from '../../lib/notebook/labels'
import { useSource } from './source'

/** What a column shows: now, at the moment that is looked back to, or last. */
export function useTileValue(): (column: Column) => Now {
  const { run, rows, channels, live, at, then } = useSource()
  return (column) => {
    if (at !== null && run?.timed != null) {
      const line = then?.lines[column.symbol] ?? []
      return { value: valueAt(line, at, reachOf(run.timed.plan.rate)), probe: null }
    }
    const now = liveValue(column, channels, live)
    if (at === null && (now.probe !== null || column.kind === 'measured')) return now
    const last = run?.kind === 'stepwise' ? rows?.rows.at(-1) : undefined
    return { value: last === undefined ? null : numberOf(last, column), probe: null }
  }
}
