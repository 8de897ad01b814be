import type { Column } from '../api/types'
import type { AxisRange } from './axes'
import {
  asidePoints,
  axisIndexOf,
  barsOf,
  drawnPoints,
  keyedRun,
  placeable,
  type DrawnRun,
  type FigureInput,
  type Point,
} from './drawn'
import { runColour, runShape, STRUCK, type Ink } from './ink'
import { pointsWithShape, seenPoints } from './seenPoints'

/** Where points are so many, shapes would be all that is seen. */
const MOST_WITH_SHAPES = 120

/** Where a column is drawn: in which panel, as which of those in it, and along which side. */
export interface Placing {
  place: number
  panel: number
  isRight: boolean
  /** What is seen of x, and in how many columns. */
  seen: AxisRange
  columns: number
}

export function runSeries(
  run: DrawnRun,
  y: Column,
  { place, panel, isRight, seen, columns }: Placing,
  input: FigureInput,
  words: string[] | null,
  ink: Ink,
) {
  const { x, runs, drawing } = input
  const isFaint = run.isFaint === true
  const isKeyed = keyedRun(input, panel) !== null
  const isAlone = runs.filter((other) => other.isFaint !== true).length === 1
  const colour = isFaint
    ? ink.faint
    : isAlone && panel > 0 && !isKeyed
      ? panel === 1
        ? ink.derivative
        : ink.secondDerivative
      : runColour(ink, run.number + place)
  const shape = isFaint ? runShape(run.number + 1) : runShape(run.number + place)
  const label = nameOf(run, y, panel, input)
  const placing = { xAxisIndex: panel, yAxisIndex: axisIndexOf(input, panel, isRight) }
  const data = seenPoints(placeable(drawnPoints(run, x, y, words), input, panel, isRight), seen, columns)
  const isApart = drawing?.points === 'apart'
  const aside = isFaint ? [] : asidePoints(run, x, y, words)
  const isPlain = !isApart && (run.lines !== undefined || data.length > MOST_WITH_SHAPES)
  const symbolSize = panel === 0 ? 9 : 6
  const itemStyle = { color: isFaint ? ink.faint : colour, opacity: 1 }
  // Colours come round again: some points of a line with a name have its shape.
  const shapes =
    isPlain && label !== ''
      ? pointsWithShape(data, seen, run.number).map((value) => ({ value, symbol: shape, symbolSize, itemStyle }))
      : []
  const series = [
    ...(drawing?.hasBars === true && run.lines === undefined && !isFaint
      ? [barSeries(placeable(barsOf(run.rows, x, y, words), input, panel, isRight), placing, colour, ink)]
      : []),
    {
      name: label === '' ? run.name : label,
      type: 'line' as const,
      ...placing,
      ...(isPlain ? plainLine(data) : { data, showSymbol: true }),
      symbol: isPlain && label === '' ? 'none' : shape,
      symbolSize,
      showAllSymbol: true,
      itemStyle: isFaint ? { color: ink.paper, borderColor: ink.faint, borderWidth: 1.5 } : { color: colour },
      lineStyle: {
        color: colour,
        width: isApart ? 0 : isFaint ? ink.stroke / 1.5 : ink.stroke,
        type: place === 0 ? ('solid' as const) : ('dashed' as const),
      },
      silent: true,
    },
    ...(aside.length === 0
      ? []
      : [
          {
            name: 'set aside',
            type: 'scatter' as const,
            ...placing,
            data: aside,
            symbol: STRUCK,
            symbolSize: 14,
            itemStyle: { color: ink.quiet },
            label: {
              show: true,
              position: 'bottom' as const,
              formatter: 'set aside',
              color: ink.quiet,
              fontFamily: ink.sans,
              fontSize: 13 * ink.scale,
            },
            silent: true,
          },
        ]),
  ]
  return { series, shapes }
}

/** The shapes of lines along the same axes, all in one: each series by itself costs as much as a line. */
export function shapeSeries(
  shapes: ReturnType<typeof runSeries>['shapes'],
  { panel, isRight }: { panel: number; isRight: boolean },
  input: FigureInput,
) {
  return shapes.length === 0
    ? []
    : [
        {
          name: 'shapes',
          type: 'scatter' as const,
          xAxisIndex: panel,
          yAxisIndex: axisIndexOf(input, panel, isRight),
          data: shapes,
          silent: true,
        },
      ]
}

/** Points of a line without shapes, packed: of points one by one a copy of each is made with every drawing. */
function plainLine(data: readonly Point[]) {
  return { data: Float64Array.from(data.flat()), dimensions: ['x', 'y'], showSymbol: false }
}

/** The ± of points: upright, with a stroke across each end. */
function barSeries(
  data: readonly Point[],
  placing: { xAxisIndex: number; yAxisIndex: number },
  colour: string,
  ink: Ink,
) {
  return {
    name: '±',
    type: 'line' as const,
    ...placing,
    data,
    symbol: 'rect',
    symbolSize: [8 * ink.scale, ink.stroke],
    showAllSymbol: true,
    itemStyle: { color: colour },
    lineStyle: { color: colour, width: ink.stroke / 1.5 },
    silent: true,
  }
}

/** What tells a line from the others that are drawn; nothing where there is no other, or its axis says it. */
function nameOf(run: DrawnRun, y: Column, panel: number, input: FigureInput): string {
  const { panels, drawing, runs } = input
  if (keyedRun(input, panel) !== null) return ''
  const beside = [...(panels[panel] ?? []), ...(drawing?.panels[panel]?.right ?? [])]
  return [runs.length > 1 ? run.name : '', beside.length > 1 ? y.symbol : ''].filter((part) => part !== '').join(', ')
}

/** All names, each once: those of the key. */
export function namesOf(input: FigureInput): string[] {
  const { panels, drawing, runs } = input
  const names = panels.flatMap((columns, panel) =>
    [...columns, ...(drawing?.panels[panel]?.right ?? [])].flatMap((y) =>
      runs.map((run) => nameOf(run, y, panel, input)),
    ),
  )
  return [...new Set(names.filter((name) => name !== ''))]
}
