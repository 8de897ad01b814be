import type { Column, Notebook, WorkedLine } from '../api/types'
import { typeset } from '../format'
import { unitBehind } from './labels'

/** A result that is another one now. */
export interface Changed {
  title: string
  before: string
  now: string
}

const NOTHING = '–'

/** The results that are others by a change, with what they were. */
export function whatChanged(
  { lines, runs }: Pick<Notebook, 'lines' | 'runs'>,
  before: readonly WorkedLine[],
  now: readonly WorkedLine[],
): Changed[] {
  return now.flatMap((line) => {
    const was = before.find(({ symbol, runId }) => symbol === line.symbol && runId === line.runId)
    if (was === undefined || textOf(was) === textOf(line)) return []
    const title = lines.find(({ symbol }) => symbol === line.symbol)?.shownTitle ?? line.symbol
    const run = runs.length > 1 ? runs.find(({ id }) => id === line.runId) : undefined
    return [{ title: run === undefined ? title : `${title}, ${run.name}`, before: textOf(was), now: textOf(line) }]
  })
}

/** Columns whose formulas rest on these, straight or by others. */
export function columnsOn(columns: readonly Column[], symbols: readonly string[]): string[] {
  const on = new Set(symbols)
  for (let size = -1; size !== on.size;) {
    size = on.size
    for (const { symbol, formula } of columns) {
      if (formula?.match(/[A-Za-z_]\w*/g)?.some((name) => on.has(name)) === true) on.add(symbol)
    }
  }
  return columns.map(({ symbol }) => symbol).filter((symbol) => on.has(symbol) && !symbols.includes(symbol))
}

function textOf({ result }: WorkedLine): string {
  return result === null ? NOTHING : `${typeset(result.shownValue)} ${unitBehind(result.unit)}`.trim()
}
