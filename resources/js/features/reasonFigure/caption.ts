import type { Column, Figure, Notebook, RunRows, RunSummary } from '../../lib/api/types'
import { counted, countOf } from '../../lib/format'
import { capital, columnHead, isNamedByFormula, lowerFirst, rowName } from '../../lib/notebook/labels'

/** A run that is drawn, with its rows. */
export interface RunDrawn {
  run: RunSummary
  rows: RunRows
}

/** The caption a figure gets by itself: what is drawn, from what, and what was set aside and why. */
export function captionOf(
  notebook: Notebook,
  figure: Figure | undefined,
  drawn: readonly RunDrawn[],
  beyond = 0,
): string {
  if (figure?.caption != null) return `Figure 1. ${figure.caption}`
  const column = (symbol: string) => notebook.columns.find((one) => one.symbol === symbol)
  const named = (symbol: string) => {
    const one = column(symbol)
    if (one === undefined || one.shownName === one.symbol) return symbol
    return isNamedByFormula(one) ? one.shownName : `${lowerFirst(one.shownName)} ${columnHead(one)}`
  }
  const heights = (figure?.panels ?? []).flatMap(({ y, right }) => [...y, ...right]).map(named)
  const what = figure === undefined ? 'Readings' : `${capital(heights.join(', '))} against ${named(figure.x)}`
  const inOrder = [...drawn].sort((a, b) => a.run.number - b.run.number)
  const beyondText = beyond === 0 ? '' : `, ${countOf(beyond, 'point')} beyond the axes`
  const trust = new Set(inOrder.flatMap(({ rows }) => rows.trustSentences))
  return [
    `Figure 1. ${what}; ${runNames(inOrder.map(({ run }) => run))}, ${rowsText(inOrder, notebook.columns)}${beyondText}.`,
    ...trust,
  ].join(' ')
}

/** How many rows there are of all runs that are drawn, how many of them are to be seen, and which do not count. */
function rowsText(drawn: readonly RunDrawn[], columns: readonly Column[]): string {
  const sum = (of: (rows: RunRows) => number) => drawn.reduce((all, { rows }) => all + of(rows), 0)
  const count = sum(({ rows, timed, typed }) => (timed ?? typed)?.rowCount ?? rows.length)
  const isOfReadings = drawn.every(({ rows }) => rows.timed === null && rows.typed === null)
  const isThinned = drawn.some(({ rows: { timed, typed } }) => (typed ?? timed)?.isThinned === true)
  const hurried = sum(({ rows }) => rows.filter((row) => !row.wasSteady && row.setAside === null).length)
  const aside = drawn.flatMap(({ run, rows }) =>
    rows.rows
      .filter((row) => row.setAside !== null)
      .map((row) => ({
        name: drawn.length === 1 ? rowName(row, columns) : `${inSentence(run)}, ${rowName(row, columns)}`,
        reason: row.setAside ?? '',
      })),
  )
  const asideCount = sum(({ rows, typed }) => typed?.asideCount ?? rows.filter((row) => row.setAside !== null).length)
  return [
    `${countOf(count, isOfReadings ? 'reading' : 'row')}${isThinned ? ` (${counted(sum(({ rows }) => rows.length))} of them drawn)` : ''}`,
    ...(aside.length === 0 ? [] : [`${counted(asideCount)} set aside (hollow, ${asideWords(aside)})`]),
    ...(hurried === 0 ? [] : [`${hurried} taken before steady`]),
  ].join(', ')
}

const MOST_NAMED = 6

/** Trials of some conditions are counted; many that follow each other by their numbers are told by the first and the last. */
function runNames(runs: readonly RunSummary[]): string {
  const conditions = new Set(runs.map(({ condition }) => condition))
  if (!conditions.has(null) && conditions.size < runs.length) {
    return `${runs.length} runs of ${countOf(conditions.size, 'condition')}`
  }
  const [first, last] = [runs[0], runs.at(-1)]
  const isNumbered = runs.every(
    ({ name, number }, i) => name === `Run ${number}` && number === (first?.number ?? 0) + i,
  )
  if (isNumbered && runs.length > 2) return `runs ${first?.number ?? ''} to ${last?.number ?? ''}`
  return runs.map(inSentence).join(', ')
}

function inSentence({ name }: RunSummary): string {
  return name.replace(/^Run /, 'run ')
}

/** Each with its reason; where they are many, the reasons alone. */
function asideWords(aside: readonly { name: string; reason: string }[]): string {
  return aside.length > MOST_NAMED
    ? [...new Set(aside.map(({ reason }) => reason))].join('; ')
    : aside.map(({ name, reason }) => `${name}: ${reason}`).join('; ')
}
