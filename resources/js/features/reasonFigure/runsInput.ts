import { capital, lowerFirst } from '../../lib/notebook/labels'
import type { Figure, Notebook, Row, RunsTable, WorkedLine } from '../../lib/api/types'
import { drawingOf, inUnits, named } from '../../lib/figure/axisUnits'
import type { DrawnRun, FigureInput } from '../../lib/figure/drawn'
import type { Selection } from '../../lib/figure/selection'
import { byCondition, cellOf, isNamedAlike, runsColumns } from '../../lib/notebook/runsTable'
import { marksOf } from './figureInput'

/** Whether a figure draws runs beside each other, not their rows. */
export function isOfRuns(notebook: Notebook, figure: Figure | undefined): boolean {
  return figure !== undefined && !notebook.columns.some(({ symbol }) => symbol === figure.x)
}

/** What a figure of the runs draws: a point a run, told apart by condition, and the marks of the lines over the runs. */
export function runsInput(
  notebook: Notebook,
  figure: Figure,
  worked: readonly WorkedLine[],
  table: RunsTable,
  selection?: Selection,
): FigureInput | null {
  const columns = runsColumns(table)
  const column = (symbol: string) => columns.find((one) => one.symbol === symbol)
  const x = column(figure.x)
  const there = { ...figure, panels: figure.panels.filter(({ y }) => y.some((symbol) => column(symbol) !== undefined)) }
  if (x === undefined || there.panels.length === 0) return null
  const input: FigureInput = {
    x: named(x, figure.axis) ?? x,
    panels: there.panels.map(({ y, axis }) => y.flatMap((symbol) => named(column(symbol), axis) ?? [])),
    drawing: { ...drawingOf(there, column), points: figure.points ?? 'apart' },
    runs: byCondition(notebook.runs).map(({ condition, runs }, index): DrawnRun => ({
      id: -1 - index,
      number: index + 1,
      name: condition ?? 'runs',
      rows: runs.map((run): Row => ({
        id: run.id,
        number: run.number,
        step: null,
        texts: {},
        cells: Object.fromEntries(
          table.columns.map(({ symbol }) => {
            const cell = cellOf(table, run.id, symbol)
            return [
              symbol,
              cell === null ? null : { value: cell.value, uncertainty: cell.uncertainty, shown: cell.shownValue },
            ]
          }),
        ),
        wasSteady: true,
        setAside: run.aside,
        takenAt: run.startedAt,
      })),
    })),
    marks: marksOf(
      notebook,
      worked.filter(({ runId }) => runId === null),
      0,
    ),
    ...(selection === undefined ? {} : { selection }),
  }
  return inUnits(input, there)
}

/** What a figure of the runs is called below it. */
export function runsCaption(notebook: Notebook, figure: Figure, table: RunsTable): string {
  if (figure.caption !== null) return `Figure 1. ${figure.caption}`
  const title = (symbol: string) => {
    const column = table.columns.find((one) => one.symbol === symbol)
    if (column === undefined || column.title === symbol) return symbol
    return isNamedAlike(symbol, column.title) ? column.title : `${lowerFirst(column.title)} ${symbol}`
  }
  const aside = notebook.runs.filter((run) => run.aside !== null)
  const conditions = byCondition(notebook.runs)
  const of = conditions.length < 2 ? '' : ` in ${conditions.length} conditions`
  const asideText =
    aside.length === 0
      ? ''
      : `, ${aside.length} set aside (hollow, ${aside.map((run) => `${run.name}: ${run.aside ?? ''}`).join('; ')})`
  const drawn = figure.panels.flatMap(({ y, right }) => [...y, ...right]).map(title)
  return `Figure 1. ${capital(drawn.join(', '))} against ${title(figure.x)}; ${notebook.runs.length} runs${of}${asideText}.`
}
