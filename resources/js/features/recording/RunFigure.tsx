import { useMemo } from 'react'
import type { Notebook, Plan, RunRows, RunSummary } from '../../lib/api/types'
import type { AxisRange } from '../../lib/figure/axes'
import type { DrawnRun, FigureInput } from '../../lib/figure/drawn'
import { cellText, columnHead, stepWords } from '../../lib/notebook/labels'
import { NotebookFigure, type FigureCanvas } from '../figure'

interface RunFigureProps {
  notebook: Notebook
  run: RunSummary | null
  rows: RunRows | null
  earlierRun: RunSummary | null
  earlier: RunRows | null
  next: number | string | null
  onReady: (canvas: FigureCanvas | null) => void
}

/** As much of x as the plan goes over, so that the figure does not jump with every reading. */
function planned(plan: Plan): AxisRange | null {
  const places = [
    ...(plan.ranges ?? []).flatMap(({ from, to }) => [from, to]),
    ...(plan.steps ?? []).filter((step) => typeof step === 'number'),
  ]
  return places.length === 0 ? null : { min: Math.min(...places), max: Math.max(...places) }
}

/** The first figure of the notebook as it grows, with the earlier run faint behind it. */
export function RunFigure({ notebook, run, rows, earlierRun, earlier, next, onReady }: RunFigureProps) {
  const input = useMemo((): FigureInput | null => {
    const [figure] = notebook.figures
    const column = (symbol: string) => notebook.columns.find((one) => one.symbol === symbol)
    const x = figure === undefined ? undefined : column(figure.x)
    const y = (figure?.panels[0]?.y ?? []).flatMap((symbol) => column(symbol) ?? [])
    if (x === undefined || y.length === 0) return null
    const drawn = (of: RunSummary | null, data: RunRows | null, isFaint: boolean): DrawnRun[] =>
      of === null || data === null ? [] : [{ id: of.id, number: of.number, name: of.name, rows: data.rows, isFaint }]
    return {
      x,
      panels: [y],
      runs: [...drawn(earlierRun, earlier, true), ...drawn(run, rows, false)],
      next: x.kind === 'step' && typeof next === 'number' ? next : null,
      leastX: x.kind === 'step' ? planned(rows?.plan ?? notebook.plan.steps) : null,
    }
  }, [notebook, run, rows, earlierRun, earlier, next])

  if (input === null) return <p className="quiet p-8 text-center">What is measured will be drawn here.</p>
  const last = rows?.rows.at(-1)
  const [y] = input.panels[0] ?? []
  const about = `${y === undefined ? '' : columnHead(y)} against ${columnHead(input.x)}.`
  const summary =
    last === undefined || y === undefined
      ? `${about} Nothing in this run yet.`
      : rows?.typed != null
        ? `${about} ${rows.typed.rowCount} rows.`
        : `${about} ${rows?.rows.length ?? 0} readings; the last at ${stepWords(
            last.step,
            notebook.columns.find(({ kind }) => kind === 'step'),
          )}: ${cellText(last, y)}.`
  return <NotebookFigure input={input} summary={summary} isMovable onReady={onReady} />
}
