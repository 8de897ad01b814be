import type { EChartsOption as FigureOption } from 'echarts'
import type { Column, Mark, Row } from '../api/types'
import { axisName, columnHead, numberOf, stepText } from '../notebook/labels'
import { axis, niceRange, type AxisRange } from './axes'
import { runColour, runShape, STRUCK, type Ink } from './ink'
import type { PickPoint, Selection } from './selection'

export interface DrawnRun {
  id: number
  number: number
  name: string
  rows: readonly Row[]
  /** An earlier run, to compare with. */
  isFaint?: boolean
}

/** A mark with what stands beside it. */
export type PlacedMark = Mark & { text: string }

export interface FigureInput {
  x: Column
  panels: readonly (readonly Column[])[]
  runs: readonly DrawnRun[]
  marks?: readonly PlacedMark[]
  /** Stretches of x that are shaded: those lines work over. */
  spans?: readonly (readonly [number, number])[]
  selection?: Selection
  /** Where the next reading is to be taken. */
  next?: number | null
  /** At least this much of x is shown. */
  leastX?: AxisRange | null
}

type Point = [number, number]

const LEFT_PX = 70
const RIGHT_PX = 30
const GAP_PERCENT = 6

/** More points than this are drawn on a canvas: a drawing of so many parts is slow. */
export const MOST_DRAWN_AS_PARTS = 3000

/** Words are told along x in the order they first come. */
export function wordsOf(x: Column, runs: readonly DrawnRun[]): string[] | null {
  if (!x.isWords) return null
  return [...new Set(runs.flatMap(({ rows }) => rows.map(({ step }) => stepText(step, x))))]
}

function xOf(row: Row, x: Column, words: readonly string[] | null): number | null {
  return words === null ? numberOf(row, x) : words.indexOf(stepText(row.step, x))
}

function pointsOf(
  rows: readonly Row[],
  x: Column,
  y: Column,
  words: readonly string[] | null,
  isAside: boolean,
): Point[] {
  return rows
    .flatMap((row): Point[] => {
      const [at, height] = [xOf(row, x, words), numberOf(row, y)]
      return at === null || height === null || (row.setAside !== null) !== isAside ? [] : [[at, height]]
    })
    .sort((a, b) => a[0] - b[0])
}

/** The points of the first panel, to be picked. */
export function pickPoints({ x, panels, runs }: FigureInput): PickPoint[] {
  const y = panels[0]?.[0]
  const words = wordsOf(x, runs)
  if (y === undefined) return []
  return runs
    .filter(({ isFaint }) => isFaint !== true)
    .flatMap(({ id: runId, rows }) =>
      rows.flatMap((row): PickPoint[] => {
        const [at, height] = [xOf(row, x, words), numberOf(row, y)]
        return at === null || height === null
          ? []
          : [{ runId, id: row.id, x: at, y: height, isAside: row.setAside !== null }]
      }),
    )
    .sort((a, b) => a.x - b.x)
}

export function pointCount({ panels, runs }: FigureInput): number {
  return runs.reduce((sum, { rows }) => sum + rows.length, 0) * panels.length
}

/** A figure of columns of runs, in panels over one x, with the marks of the working. It knows no experiment. */
export function notebookFigure(input: FigureInput, ink: Ink): FigureOption {
  const { x, panels, runs, next = null, leastX = null } = input
  const words = wordsOf(x, runs)
  const xs = runs.flatMap(({ rows }) => rows.flatMap((row) => xOf(row, x, words) ?? []))
  const range = words === null ? niceRange(xs, leastX) : { min: -0.5, max: Math.max(0.5, words.length - 0.5), step: 1 }
  const height = (100 - GAP_PERCENT * (panels.length - 1)) / panels.length
  const firstHeight = panels.length === 1 ? height : Math.min(62, height + 14)
  const otherHeight =
    panels.length === 1 ? 0 : (100 - firstHeight - GAP_PERCENT * (panels.length - 1)) / (panels.length - 1)
  return {
    animation: false,
    grid: panels.map((_, index) => ({
      left: LEFT_PX,
      right: RIGHT_PX,
      // The heights are parts of what the names of x leave.
      top: index === 0 ? 14 : `${(firstHeight + GAP_PERCENT + (index - 1) * (otherHeight + GAP_PERCENT)) * 0.86}%`,
      ...(index === panels.length - 1
        ? { bottom: 56 }
        : { height: `${(index === 0 ? firstHeight : otherHeight) * 0.82}%` }),
      outerBoundsMode: 'none' as const,
    })),
    xAxis: panels.map((_, index) => {
      const isLast = index === panels.length - 1
      const made = axis(ink, isLast ? axisName(x) : '', range, 32)
      return {
        ...made,
        gridIndex: index,
        axisLabel: isLast
          ? { ...made.axisLabel, ...(words === null ? {} : { formatter: (value: number) => words[value] ?? '' }) }
          : { show: false },
        ...(words === null ? {} : { minorTick: { show: false }, minorSplitLine: { show: false } }),
      }
    }),
    yAxis: panels.map((columns, index) => yAxis(columns, index, input, words, ink)),
    dataZoom: [
      {
        type: 'inside',
        xAxisIndex: panels.map((_, i) => i),
        zoomOnMouseWheel: true,
        moveOnMouseMove: false,
        filterMode: 'none',
      },
    ],
    series: [
      ...panels.flatMap((columns, panel) =>
        columns.flatMap((y, place) => runs.flatMap((run) => runSeries(run, y, place, panel, input, words, ink))),
      ),
      ...panels.flatMap((columns, panel) => markSeries(columns, panel, input, ink)),
      ...pickedSeries(input, ink),
      ...(next === null ? [] : [nextSeries(next, x, range, ink)]),
    ],
  } as FigureOption
}

function yAxis(
  columns: readonly Column[],
  panel: number,
  { x, runs, panels }: FigureInput,
  words: string[] | null,
  ink: Ink,
) {
  const values = columns.flatMap((y) =>
    runs.flatMap(({ rows }) => pointsOf(rows, x, y, words, false).map(([, v]) => v)),
  )
  const isSmall = panels.length > 1
  // A low panel has no room for words beside it.
  const names = columns.map(isSmall && panel > 0 ? columnHead : axisName)
  const made = axis(ink, names.join(', '), niceRange(values, null), 46)
  return {
    ...made,
    gridIndex: panel,
    nameTextStyle: { ...made.nameTextStyle, fontSize: isSmall ? 13 : 15 },
    axisLabel: values.length === 0 ? { show: false } : made.axisLabel,
    ...(isSmall ? { minorTick: { show: false }, minorSplitLine: { show: false } } : {}),
  }
}

function runSeries(
  run: DrawnRun,
  y: Column,
  place: number,
  panel: number,
  { x, runs, panels }: FigureInput,
  words: string[] | null,
  ink: Ink,
) {
  const isFaint = run.isFaint === true
  const isAlone = runs.filter((other) => other.isFaint !== true).length === 1
  const colour = isFaint
    ? ink.faint
    : isAlone && panel > 0
      ? panel === 1
        ? ink.derivative
        : ink.secondDerivative
      : runColour(ink, run.number + place)
  const shape = isFaint ? runShape(run.number + 1) : runShape(run.number + place)
  const label = columnLabel(run, y, runs, panels[panel] ?? [])
  const placing = { xAxisIndex: panel, yAxisIndex: panel }
  return [
    {
      name: run.name,
      type: 'line' as const,
      ...placing,
      data: pointsOf(run.rows, x, y, words, false),
      symbol: shape,
      symbolSize: panel === 0 ? 9 : 6,
      showAllSymbol: true,
      itemStyle: isFaint ? { color: ink.paper, borderColor: ink.faint, borderWidth: 1.5 } : { color: colour },
      lineStyle: {
        color: colour,
        width: isFaint ? 1 : 1.5,
        type: place === 0 ? ('solid' as const) : ('dashed' as const),
      },
      endLabel: {
        show: label !== '' && panel === 0,
        formatter: label,
        color: isFaint ? ink.quiet : colour,
        fontFamily: ink.sans,
        fontSize: 14,
        align: 'right' as const,
        offset: [-6, isFaint ? 18 : -14],
      },
      silent: true,
    },
    {
      name: 'set aside',
      type: 'scatter' as const,
      ...placing,
      data: isFaint ? [] : pointsOf(run.rows, x, y, words, true),
      symbol: STRUCK,
      symbolSize: 14,
      itemStyle: { color: ink.quiet },
      label: {
        show: true,
        position: 'bottom' as const,
        formatter: 'set aside',
        color: ink.quiet,
        fontFamily: ink.sans,
        fontSize: 13,
      },
      silent: true,
    },
  ]
}

/** A line is named at its end where more than one is drawn. */
function columnLabel(run: DrawnRun, y: Column, runs: readonly DrawnRun[], columns: readonly Column[]): string {
  if (runs.length === 1 && columns.length === 1) return ''
  return [runs.length > 1 ? run.name : '', columns.length > 1 ? y.symbol : ''].filter((part) => part !== '').join(', ')
}

/** Marks belong to a pair of columns; rules along x are drawn through all panels. */
function markSeries(
  columns: readonly Column[],
  panel: number,
  { x, marks = [], spans = [], selection }: FigureInput,
  ink: Ink,
) {
  const placing = { xAxisIndex: panel, yAxisIndex: panel, silent: true }
  const here = marks.filter((mark) => mark.xSymbol === x.symbol)
  const own = here.filter((mark) => columns.some(({ symbol }) => symbol === mark.ySymbol))
  const rules = here.filter(({ kind }) => kind === 'vertical')
  const shaded = [
    ...spans.map(([from, to]) => [from, to, 0.1] as const),
    ...(selection?.kind === 'span' ? [[selection.from, selection.to, 0.12] as const] : []),
  ]
  const text = (position: string, label: string) => ({
    show: label !== '',
    position,
    formatter: label,
    color: ink.primary,
    fontFamily: ink.sans,
    fontWeight: 'bold' as const,
    fontSize: 14,
  })
  return [
    {
      name: 'rules',
      type: 'line' as const,
      ...placing,
      data: [],
      markLine: {
        silent: true,
        symbol: 'none',
        lineStyle: { color: ink.primary, width: 1.5, type: 'solid' as const },
        data: [
          ...rules.map((mark) => ({
            xAxis: mark.x[0] ?? 0,
            label:
              panel === 0
                ? { ...text('insideStartBottom', mark.text), rotate: 0, align: 'left' as const, distance: [8, -22] }
                : { show: false },
          })),
          ...own
            .filter(({ kind }) => kind === 'horizontal')
            .map((mark) => ({ yAxis: mark.y[0] ?? 0, label: text('insideEndTop', mark.text) })),
        ],
      },
      markArea: {
        silent: true,
        data: shaded.map(([from, to, opacity]): [object, object] => [
          { xAxis: from, itemStyle: { color: ink.primary, opacity } },
          { xAxis: to },
        ]),
      },
    },
    ...own
      .filter(({ kind }) => kind === 'point')
      .map((mark) => ({
        name: mark.text,
        type: 'scatter' as const,
        ...placing,
        data: mark.x.map((at, i) => [at, mark.y[i] ?? 0]),
        symbolSize: 16,
        itemStyle: { color: 'transparent', borderColor: ink.primary, borderWidth: 2 },
        label: text('top', mark.text),
      })),
    ...own
      .filter(({ kind }) => kind === 'curve')
      .map((mark) => ({
        name: mark.text,
        type: 'line' as const,
        ...placing,
        data: mark.x.map((at, i) => [at, mark.y[i] ?? 0]),
        symbol: 'none',
        lineStyle: { color: ink.primary, width: 2 },
        endLabel: { ...text('right', mark.text), align: 'right' as const, offset: [-8, 16] },
      })),
    ...own
      .filter(({ kind }) => kind === 'band')
      .flatMap((mark) =>
        [mark.y, mark.low ?? []].map((heights) => ({
          name: mark.text,
          type: 'line' as const,
          ...placing,
          data: mark.x.map((at, i) => [at, heights[i] ?? 0]),
          symbol: 'none',
          lineStyle: { color: ink.primary, width: 1, type: 'dashed' as const },
        })),
      ),
  ]
}

function pickedSeries(input: FigureInput, ink: Ink) {
  const { selection } = input
  const point = selection?.kind === 'row' ? pickPoints(input).find(({ id }) => id === selection.id) : undefined
  if (point === undefined) return []
  return [
    {
      name: 'picked',
      type: 'scatter' as const,
      xAxisIndex: 0,
      yAxisIndex: 0,
      data: [[point.x, point.y]],
      symbolSize: 18,
      itemStyle: { color: 'transparent', borderColor: ink.amber, borderWidth: 3 },
      silent: true,
    },
  ]
}

function nextSeries(next: number, x: Column, range: AxisRange, ink: Ink) {
  // Beside the axis it must not stand on the uppermost number of the other one.
  const isCloseToAxis = next - range.min < 0.08 * (range.max - range.min)
  return {
    name: 'next',
    type: 'line' as const,
    data: [],
    markLine: {
      silent: true,
      symbol: 'none',
      lineStyle: { color: ink.primary, type: 'dotted' as const, width: 2 },
      label: {
        formatter: `next ${stepText(next, x)}`,
        color: ink.primary,
        fontFamily: ink.sans,
        fontSize: 14,
        position: 'insideEndTop' as const,
        rotate: 0,
        align: isCloseToAxis ? ('left' as const) : ('right' as const),
        distance: [6, -16],
      },
      data: [{ xAxis: next }],
    },
  }
}
