import type { Figure, Notebook, RunRows, RunSummary } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { columnHead, lowerFirst, stepWords } from '../../lib/notebook/labels'

/** The caption a figure gets by itself: what is drawn, from what, and what was set aside and why. */
export function captionOf(
  notebook: Notebook,
  figure: Figure | undefined,
  run: RunSummary,
  { rows, trustSentences }: RunRows,
  others: readonly RunSummary[] = [],
): string {
  const column = (symbol: string) => notebook.columns.find((one) => one.symbol === symbol)
  const named = (symbol: string) => {
    const one = column(symbol)
    return one === undefined
      ? symbol
      : one.shownName === one.symbol
        ? one.symbol
        : `${lowerFirst(one.shownName)} ${columnHead(one)}`
  }
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const drawn = (figure?.panels ?? []).flatMap(({ y }) => y).map(named)
  const aside = rows.filter((row) => row.setAside !== null)
  const hurried = rows.filter((row) => !row.wasSteady && row.setAside === null).length
  const asideText =
    aside.length === 0
      ? ''
      : `, ${aside.length} set aside (hollow, ${aside.map((row) => `${stepWords(row.step, step)}: ${row.setAside ?? ''}`).join('; ')})`
  const hurriedText = hurried === 0 ? '' : `, ${hurried} taken before steady`
  const what = figure === undefined ? 'Readings' : `${capital(drawn.join(', '))} against ${named(figure.x)}`
  const runs = [...others, run]
    .sort((a, b) => a.number - b.number)
    .map(({ name }) => name.replace(/^Run /, 'run '))
    .join(', ')
  return (
    `Figure 1. ${what}; ${runs}, ${countOf(rows.length, 'reading')}${asideText}${hurriedText}.` +
    trustSentences.map((sentence) => ` ${sentence}`).join('')
  )
}

/** A sentence begins large; a symbol like pH stays as it is. */
function capital(text: string): string {
  return /^[a-z]{2}/.test(text) ? text.charAt(0).toUpperCase() + text.slice(1) : text
}
