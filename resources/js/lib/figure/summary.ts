import type { Column } from '../api/types'
import { columnHead, unitBehind } from '../notebook/labels'
import { drawnPoints, wordsOf, type DrawnRun, type FigureInput } from './drawn'

const MOST_TOLD = 6

/** A figure in words, for those who do not see it: what is drawn against what, and from where to where each line goes. */
export function summaryOf(input: FigureInput, caption: string): string {
  const { x, panels, runs, drawing } = input
  const columns = panels.map((of, i) => [...of, ...(drawing?.panels[i]?.right ?? [])])
  const heads = columns.map((of) => of.map(columnHead).join(', ')).join(' and ')
  const words = wordsOf(x, runs)
  const lines = runs.flatMap((run) => columns.flat().flatMap((y) => lineText(run, x, y, words, runs.length > 1)))
  const told = lines.length > MOST_TOLD ? [...lines.slice(0, MOST_TOLD), `${lines.length - MOST_TOLD} more`] : lines
  return [`${heads} against ${columnHead(x)}. ${caption}`, ...(told.length === 0 ? [] : [`${told.join('; ')}.`])].join(
    ' ',
  )
}

/** "Run 1: T begins at 62.1, ends at 5.2 °C, at most 62.3 at t 12". */
function lineText(run: DrawnRun, x: Column, y: Column, words: readonly string[] | null, isNamed: boolean): string[] {
  const points = drawnPoints(run, x, y, words).filter(([, value]) => Number.isFinite(value))
  const [first, last] = [points[0], points.at(-1)]
  if (first === undefined || last === undefined) return []
  const [least, most] = points.reduce(
    ([low, high], point) => [point[1] < low[1] ? point : low, point[1] > high[1] ? point : high],
    [first, first],
  )
  const shown = (value: number) => String(Number(value.toPrecision(4))).replace('-', '−')
  const where = (at: number) => `at ${words === null ? `${x.symbol} ${shown(at)}` : (words[at] ?? '')}`
  const unit = unitBehind(y.unit, y.symbol)
  const ends = `${y.symbol} begins at ${shown(first[1])} and ends at ${shown(last[1])}${unit === '' ? '' : ` ${unit}`}`
  const beyond = [
    ...(least[1] < Math.min(first[1], last[1]) ? [`least ${shown(least[1])} ${where(least[0])}`] : []),
    ...(most[1] > Math.max(first[1], last[1]) ? [`most ${shown(most[1])} ${where(most[0])}`] : []),
  ]
  return [[`${isNamed ? `${run.name}: ` : ''}${ends}`, ...beyond].join(', ')]
}
