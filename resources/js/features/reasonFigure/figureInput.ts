import type { Column, Figure, Mark, Notebook, RunRows, RunSummary, WorkedLine } from '../../lib/api/types'
import type { DrawnRun, FigureInput, PlacedMark } from '../../lib/figure/drawn'
import { drawingOf, inUnits, named } from '../../lib/figure/axisUnits'
import type { Selection } from '../../lib/figure/selection'
import { nameOf } from '../../lib/figure/spans'
import { circled, typeset } from '../../lib/format'
import { unitBehind } from '../../lib/notebook/labels'
import { markerMarks, pinnedMarks } from '../../lib/notebook/markers'

export interface FigureSource {
  notebook: Notebook
  figure: Figure | undefined
  worked: readonly WorkedLine[]
  run: RunSummary
  rows: RunRows
  /** Further runs that are drawn with it. */
  others?: readonly { run: RunSummary; rows: RunRows }[]
  selection?: Selection
}

/** How runs without a condition are called together. */
const NO_CONDITION = 'no condition'

/** What a figure of the notebook draws: its columns, the runs, and the marks of the working of the run in hand. */
export function figureInput({
  notebook,
  figure,
  worked,
  run,
  rows,
  others = [],
  selection,
}: FigureSource): FigureInput | null {
  const column = (symbol: string) => notebook.columns.find((one) => one.symbol === symbol)
  const x = figure === undefined ? undefined : column(figure.x)
  if (figure === undefined || x === undefined) return null
  const there = {
    ...figure,
    panels: figure.panels.filter(({ y }) => y.some((symbol) => column(symbol) !== undefined)),
  }
  if (there.panels.length === 0) return null
  const drawn = (of: RunSummary, data: RunRows): DrawnRun => ({
    id: of.id,
    number: of.number,
    name: of.name,
    rows: data.rows,
  })
  const height = column(there.panels[0]?.y[0] ?? '')
  const spanIds = new Set(notebook.lines.flatMap(({ spanId }) => spanId ?? []))
  const runs = byColour(
    [...others, { run, rows }].sort((a, b) => a.run.position - b.run.position),
    figure.coloursBy,
    drawn,
  )
  const input: FigureInput = {
    x: named(x, figure.axis) ?? x,
    panels: there.panels.map(({ y, axis }) => y.flatMap((symbol) => named(column(symbol), axis) ?? [])),
    drawing: drawingOf(there, column),
    runs,
    marks: [
      ...marksOf(notebook, worked, run.id),
      ...others.flatMap((other) => curvesOf(notebook, worked, other.run.id, runs)),
      ...(x.kind === 'time' ? markerMarks(rows.markers, x) : []),
      ...pinnedIn(rows, x, height),
      ...others.flatMap((other) =>
        pinnedIn(other.rows, x, height).map((mark) => ({ ...mark, runNumber: numberIn(runs, other.run.id) })),
      ),
    ],
    ...(x.kind === 'time' ? { isTight: true } : {}),
    spans: notebook.spans
      .filter((span) => span.columnId === x.id && (spanIds.has(span.id) || nameOf(span) !== ''))
      .map((span) => [span.from, span.to, nameOf(span)] as const),
    ...(selection === undefined ? {} : { selection }),
  }
  return inUnits(input, there)
}

/** What was noted at rows of a run, at the points of the first column. */
function pinnedIn(rows: RunRows, x: Column, y: Column | undefined): PlacedMark[] {
  return y === undefined ? [] : pinnedMarks(rows.markers, rows.rows, x, y)
}

/**
 * Trials of a condition look alike and are named once, as where nine runs of three strengths are drawn. Where nobody asked for
 * that, it is so if each run has a condition, and some share one.
 */
function byColour(
  all: readonly { run: RunSummary; rows: RunRows }[],
  asked: Figure['coloursBy'],
  drawn: (run: RunSummary, rows: RunRows) => DrawnRun,
): DrawnRun[] {
  const conditions = [...new Set(all.map(({ run }) => run.condition))]
  const isUsual = !conditions.includes(null) && conditions.length < all.length
  if (asked === 'run' || (asked === null && !isUsual)) return all.map(({ run, rows }) => drawn(run, rows))
  return all.map(({ run, rows }) => ({
    ...drawn(run, rows),
    number: 1 + conditions.indexOf(run.condition),
    title: run.name,
    name: run.condition ?? NO_CONDITION,
  }))
}

/** The same with marks of what nobody keeps yet, in the units of the axes. */
export function withMarks(input: FigureInput, figure: Figure, marks: readonly Mark[]): FigureInput {
  const bare = inUnits({ ...input, runs: [], marks: marks.map((mark) => ({ ...mark, text: '' })) }, figure)
  return { ...input, marks: [...(input.marks ?? []), ...(bare.marks ?? [])] }
}

/** The marks of all lines, named by the number of their line; the first mark of each also tells its result. */
export function marksOf(notebook: Notebook, worked: readonly WorkedLine[], runId: number): PlacedMark[] {
  return notebook.lines.flatMap((line, index) => {
    // What one run alone has come to is drawn with that run.
    const isElsewhere =
      line.onlyRun !== null && notebook.runs.find(({ number }) => number === line.onlyRun)?.id !== runId
    const node = isElsewhere
      ? undefined
      : worked.find(({ symbol, runId: of }) => symbol === line.symbol && (of === null || of === runId))
    const result = node?.result
    return (node?.marks ?? []).map((mark, place) => {
      const value = result == null ? '' : ` ${typeset(result.shownValue)} ${unitBehind(result.unit, 'pH')}`.trimEnd()
      const text =
        mark.label === ''
          ? ''
          : place === 0
            ? `${circled(index + 1)}${mark.kind === 'vertical' ? value : ` ${line.symbol}`}`
            : mark.label
      return { ...mark, text }
    })
  })
}

/** The curves of the lines of another run that is drawn with the one in hand, each in the colour of its run. */
function curvesOf(
  notebook: Notebook,
  worked: readonly WorkedLine[],
  runId: number,
  runs: readonly DrawnRun[],
): PlacedMark[] {
  const own = worked.filter((line) => line.runId === runId)
  return marksOf(notebook, own, runId)
    .filter(({ kind }) => kind === 'curve')
    .map((mark) => ({ ...mark, text: '', runNumber: numberIn(runs, runId) }))
}

/** The number a run is drawn by: that of its colour. */
function numberIn(runs: readonly DrawnRun[], runId: number): number {
  return runs.find(({ id }) => id === runId)?.number ?? 1
}
