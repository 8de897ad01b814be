import type { Column, Figure, Notebook, Row, RunRows, RunSummary } from '../../lib/api/types'
import { counted, countOf } from '../../lib/format'
import { capital, columnHead, isNamedByFormula, lowerFirst, rowName } from '../../lib/notebook/labels'

/** The caption a figure gets by itself: what is drawn, from what, and what was set aside and why. */
export function captionOf(
  notebook: Notebook,
  figure: Figure | undefined,
  run: RunSummary,
  { rows, trustSentences, timed, typed }: RunRows,
  others: readonly RunSummary[] = [],
  beyond = 0,
): string {
  if (figure?.caption != null) return `Figure 1. ${figure.caption}`
  const column = (symbol: string) => notebook.columns.find((one) => one.symbol === symbol)
  const named = (symbol: string) => {
    const one = column(symbol)
    if (one === undefined || one.shownName === one.symbol) return symbol
    return isNamedByFormula(one) ? one.shownName : `${lowerFirst(one.shownName)} ${columnHead(one)}`
  }
  const drawn = (figure?.panels ?? []).flatMap(({ y, right }) => [...y, ...right]).map(named)
  const aside = rows.filter((row) => row.setAside !== null)
  const hurried = rows.filter((row) => !row.wasSteady && row.setAside === null).length
  const asideText =
    aside.length === 0
      ? ''
      : `, ${counted(typed?.asideCount ?? aside.length)} set aside (hollow, ${asideWords(aside, notebook.columns)})`
  const beyondText = beyond === 0 ? '' : `, ${countOf(beyond, 'point')} beyond the axes`
  const drawnText = (typed ?? timed)?.isThinned === true ? ` (${counted(rows.length)} of them drawn)` : ''
  const hurriedText = hurried === 0 ? '' : `, ${hurried} taken before steady`
  const what = figure === undefined ? 'Readings' : `${capital(drawn.join(', '))} against ${named(figure.x)}`
  const runs = runNames([...others, run].sort((a, b) => a.number - b.number))
  return (
    `Figure 1. ${what}; ${runs}, ${countOf((timed ?? typed)?.rowCount ?? rows.length, (timed ?? typed) === null ? 'reading' : 'row')}${drawnText}${asideText}${hurriedText}${beyondText}.` +
    trustSentences.map((sentence) => ` ${sentence}`).join('')
  )
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
  return runs.map(({ name }) => name.replace(/^Run /, 'run ')).join(', ')
}

/** Each with its reason; where they are many, the reasons alone. */
function asideWords(aside: readonly Row[], columns: readonly Column[]): string {
  return aside.length > MOST_NAMED
    ? [...new Set(aside.map(({ setAside }) => setAside ?? ''))].join('; ')
    : aside.map((row) => `${rowName(row, columns)}: ${row.setAside ?? ''}`).join('; ')
}
