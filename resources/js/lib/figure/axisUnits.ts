import type { Column, Figure, Row } from '../api/types'
import type { AxisWish, DrawingWish, FigureInput, PlacedMark } from './drawn'
import { roundTo, spanBetween, type Selection } from './selection'
import type { DrawnAxes } from './view'

type Axis = Figure['axis']

/** What makes a value of a column one of its axis, and back. */
export interface Shown {
  to: (value: number) => number
  back: (value: number) => number
}

const SAME: Shown = { to: (value) => value, back: (value) => value }

export function shownAlong(axis: Axis | undefined, symbol: string): Shown {
  const of = axis?.shown[symbol]
  if (of === undefined) return SAME
  return { to: (value) => of.factor * value + of.offset, back: (value) => (value - of.offset) / of.factor }
}

const wish = ({ scale, from, to, label }: Axis): AxisWish => ({ scale, from, to, label })

/** How a figure is drawn, of columns that are there. */
export function drawingOf(figure: Figure, column: (symbol: string) => Column | undefined): DrawingWish {
  return {
    axis: wish(figure.axis),
    panels: figure.panels.map(({ axis, right, rightAxis }) => ({
      axis: wish(axis),
      right: right.flatMap((symbol) => named(column(symbol), rightAxis) ?? []),
      rightAxis: wish(rightAxis),
    })),
    points: figure.points,
    hasBars: figure.bars,
  }
}

/** A column that is drawn in another unit goes by that. */
export function named(column: Column | undefined, axis: Axis): Column | undefined {
  return column === undefined || axis.unit === null || axis.shown[column.symbol] === undefined
    ? column
    : { ...column, unit: axis.unit }
}

/** All that is drawn, in the units of the axes it is drawn along. */
export function inUnits(input: FigureInput, figure: Figure): FigureInput {
  const axes = new Map<string, Axis>([
    ...figure.panels.flatMap(({ y, axis, right, rightAxis }): [string, Axis][] => [
      ...y.map((symbol): [string, Axis] => [symbol, axis]),
      ...right.map((symbol): [string, Axis] => [symbol, rightAxis]),
    ]),
    [figure.x, figure.axis],
  ])
  const changed = [...axes].filter(([symbol, axis]) => axis.shown[symbol] !== undefined)
  if (changed.length === 0) return input
  const shown = (symbol: string) => shownAlong(axes.get(symbol), symbol)
  const x = shown(figure.x)
  return {
    ...input,
    runs: input.runs.map((run) => ({
      ...run,
      rows: run.rows.map((row) => rowInUnits(row, changed)),
    })),
    ...(input.marks === undefined ? {} : { marks: input.marks.map((mark) => markInUnits(mark, shown)) }),
    ...(input.spans === undefined
      ? {}
      : { spans: input.spans.map(([from, to, name]) => [x.to(from), x.to(to), name] as const) }),
    ...(input.selection === undefined ? {} : { selection: selectionInUnits(input.selection, x.to) }),
  }
}

function rowInUnits(row: Row, changed: readonly [string, Axis][]): Row {
  const cells = { ...row.cells }
  for (const [symbol, axis] of changed) {
    const [cell, of] = [cells[symbol], axis.shown[symbol]]
    if (cell == null || of === undefined) continue
    cells[symbol] = {
      ...cell,
      value: of.factor * cell.value + of.offset,
      uncertainty: Math.abs(of.factor) * cell.uncertainty,
    }
  }
  return { ...row, cells }
}

function markInUnits(mark: PlacedMark, shown: (symbol: string) => Shown): PlacedMark {
  const [x, y] = [shown(mark.xSymbol), shown(mark.ySymbol)]
  return {
    ...mark,
    x: mark.x.map(x.to),
    y: mark.y.map(y.to),
    ...(mark.low == null ? {} : { low: mark.low.map(y.to) }),
  }
}

/** A span that was chosen in one unit, in another. */
export function selectionInUnits(
  selection: Selection,
  to: (value: number) => number,
  up: (height: number) => number = (height) => height,
): Selection {
  if (selection.kind === 'place') {
    return {
      kind: 'place',
      at: to(selection.at),
      ...(selection.height === undefined ? {} : { height: up(selection.height) }),
    }
  }
  return selection.kind === 'span' ? spanBetween(to(selection.anchor), to(selection.head)) : selection
}

/** What is asked for, of what is told. */
export function askedPanels(panels: Figure['panels']) {
  return panels.map(({ y, axis, right, rightAxis }) => ({
    y,
    axis: askedAxis(axis),
    right,
    rightAxis: askedAxis(rightAxis),
  }))
}

export function askedAxis({ scale, from, to, unit, label }: Axis) {
  return { scale, from, to, unit, label }
}

/** The same figure with x and y in each other's place; null where more is drawn than one column along another. */
export function swapped({ x, axis, panels }: Figure) {
  const [only, another] = panels
  const [y, second] = only?.y ?? []
  return only === undefined || another !== undefined || y === undefined || second !== undefined || only.right.length > 0
    ? null
    : { x: y, axis: askedAxis(only.axis), panels: [{ y: [x], axis: askedAxis(axis) }] }
}

/** No screen shows more of an axis apart. */
const SEEN_APART = 500

/** A figure whose axes end where they are seen to end, on round numbers within a pixel. */
export function withEnds(figure: Figure, seen: DrawnAxes) {
  const ends = (axis: Axis, at: { min: number; max: number } | undefined) => {
    if (at === undefined) return askedAxis(axis)
    const pixel = (at.max - at.min) / SEEN_APART
    // By powers of ten a pixel is a share of the number, not a step.
    const round = (end: number) => (axis.scale === 'log' ? Number(end.toPrecision(3)) : roundTo(end, pixel))
    return { ...askedAxis(axis), from: round(at.min), to: round(at.max) }
  }
  let right = figure.panels.length
  return {
    axis: ends(figure.axis, seen.x),
    panels: figure.panels.map((panel, index) => ({
      y: panel.y,
      axis: ends(panel.axis, seen.y[index]),
      right: panel.right,
      rightAxis: panel.right.length > 0 ? ends(panel.rightAxis, seen.y[right++]) : askedAxis(panel.rightAxis),
    })),
  }
}
