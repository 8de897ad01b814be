import type { Column } from '../api/types'
import { stepText } from '../notebook/labels'
import type { AxisRange } from './axes'
import { axisIndexOf, pickPoints, placeable, type FigureInput, type Point, type PlacedMark } from './drawn'
import { runColour, type Ink } from './ink'
import { alongAxis } from './plot'
import type { DrawnAxis } from './view'

/** Marks belong to a pair of columns; rules along x are drawn through all panels. */
export function markSeries(
  columns: readonly Column[],
  panel: number,
  input: FigureInput,
  ink: Ink,
  { isRight = false, widthPx, y }: { isRight?: boolean; widthPx: number; y: DrawnAxis },
) {
  const { x, marks = [], spans = [], selection } = input
  const placing = {
    xAxisIndex: panel,
    yAxisIndex: axisIndexOf(input, panel, isRight),
    silent: true,
    // Over the points: names and notes are to be read.
    z: 3,
  }
  const here = marks.filter((mark) => mark.xSymbol === x.symbol)
  const own = here.filter((mark) => columns.some(({ symbol }) => symbol === mark.ySymbol))
  const pairs = (at: readonly number[], heights: readonly number[]) =>
    placeable(
      at.map((place, i): Point => [place, heights[i] ?? 0]),
      input,
      panel,
      isRight,
    )
  // What belongs to x is drawn once in a panel.
  const rules = isRight ? [] : here.filter(({ kind }) => kind === 'vertical')
  const shaded = isRight
    ? []
    : [
        ...spans.map(([from, to, name]) => [from, to, 0.1, panel === 0 ? name : ''] as const),
        ...(selection?.kind === 'span' ? [[selection.from, selection.to, 0.12, ''] as const] : []),
      ]
  const text = (position: string, label: string, color = ink.primary) => ({
    show: label !== '',
    position,
    formatter: label,
    color,
    // Lines that run through it leave it legible.
    textBorderColor: ink.paper,
    textBorderWidth: 3,
    fontFamily: ink.sans,
    fontWeight: 'bold' as const,
    fontSize: 14 * ink.scale,
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
        lineStyle: { color: ink.primary, width: ink.stroke, type: 'solid' as const },
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
        data: shaded.map(([from, to, opacity, name]): [object, object] => [
          { xAxis: from, itemStyle: { color: ink.primary, opacity }, label: text('insideTopLeft', name) },
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
        data: pairs(mark.x, mark.y),
        symbolSize: 16,
        itemStyle: { color: 'transparent', borderColor: markColour(mark, ink), borderWidth: 2, opacity: 1 },
        label: text('top', mark.text, markColour(mark, ink)),
      })),
    ...own
      .filter(({ kind }) => kind === 'curve')
      .map((mark, place, curves) => ({
        name: mark.text,
        type: 'line' as const,
        ...placing,
        data: pairs(mark.x, mark.y),
        symbol: 'none',
        lineStyle: { color: markColour(mark, ink), width: 2 },
        // Beyond the end of a falling curve there is often the axis: its name stands above it.
        endLabel: {
          ...text('right', mark.text),
          align: 'right' as const,
          offset: nameOffset(mark, curves.slice(0, place), widthPx / ink.scale, y).map((px) => px * ink.scale),
        },
      })),
    ...own
      .filter(({ kind }) => kind === 'band')
      .flatMap((mark) =>
        [mark.y, mark.low ?? []].map((heights) => ({
          name: mark.text,
          type: 'line' as const,
          ...placing,
          data: pairs(mark.x, heights),
          symbol: 'none',
          lineStyle: { color: ink.primary, width: 1, type: 'dashed' as const },
        })),
      ),
  ]
}

/** What belongs to another run than that in hand has the colour of its run. */
function markColour({ runNumber }: PlacedMark, ink: Ink): string {
  return runNumber === undefined ? ink.primary : runColour(ink, runNumber)
}

export function pickedSeries(input: FigureInput, ink: Ink) {
  const { selection } = input
  if (selection?.kind === 'place') return [placeRule(selection.at, ink)]
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

/** Where along x somebody looks. */
function placeRule(at: number, ink: Ink) {
  return {
    name: 'place',
    type: 'line' as const,
    data: [],
    markLine: {
      silent: true,
      symbol: 'none',
      label: { show: false },
      lineStyle: { color: ink.amber, type: 'dashed' as const, width: 1.5 },
      data: [{ xAxis: at }],
    },
  }
}

export function nextSeries(next: number, x: Column, range: AxisRange, ink: Ink) {
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
        fontSize: 14 * ink.scale,
        position: 'insideEndTop' as const,
        rotate: 0,
        align: isCloseToAxis ? ('left' as const) : ('right' as const),
        distance: [6, -16],
      },
      data: [{ xAxis: next }],
    },
  }
}

/** A letter of a name is about so wide; between two names, and from the end of a curve to its name. */
const LETTER_PX = 8.5
const BETWEEN_PX = 12
const FROM_END_PX = 8
/** So far above or below an end its name is clear of it, and so much of a point reaches under it otherwise. */
const FREE_PX = 16
const POINT_PX = 6
/** From one row of names to the next. */
const NAMES_PX = 20
/** Ends within such a part of what a curve spans are at the same place. */
const SAME_END = 0.06
/** Under its name lies about the last tenth of a curve, and a curve takes about so many px from its lowest to its highest. */
const UNDER_NAME = 0.1
const HIGH_PX = 500
/** In a low panel: from the top of its axis to the bottom; and so far above it the middle of a name is still seen. */
const LOW_PX = 250
const ABOVE_PANEL_PX = 6
/** Where a curve falls by more than that under its name, the name stands below. */
const STEEP_PX = 30

/**
 * How far from its end the name of a curve stands, to the right and down, where the curve itself does not run: before the names
 * of curves that end there, too; in a further row once the panel is not wide enough.
 */
function nameOffset(
  mark: PlacedMark,
  others: readonly PlacedMark[],
  widthPx: number,
  axis: DrawnAxis,
): [number, number] {
  const end = ({ y }: PlacedMark) => y.at(-1) ?? 0
  const height = mark.y.reduce((most, one) => Math.max(most, Math.abs(one - end(mark))), 0)
  const fall = height === 0 ? 0 : (HIGH_PX * Math.max(0, underName(mark) - end(mark))) / height
  const beside = others.filter((one) => one.text !== '' && Math.abs(end(one) - end(mark)) <= SAME_END * height)
  let [taken, row] = [0, 0]
  for (const { text } of [...beside, mark]) {
    const wide = text.length * LETTER_PX
    if (taken > 0 && taken + wide > widthPx - FROM_END_PX) {
      taken = 0
      row++
    }
    taken += wide + BETWEEN_PX
  }
  const ahead = taken - mark.text.length * LETTER_PX - BETWEEN_PX
  if (fall > STEEP_PX) return [-FROM_END_PX - ahead, FREE_PX + row * NAMES_PX]
  const room = ABOVE_PANEL_PX + Math.max(0, alongAxis(axis, LOW_PX, 0)(end(mark)))
  const wanted = FREE_PX + fall + row * NAMES_PX
  // Where there is no room above, further rows go down from the first.
  const up = wanted <= room ? wanted : Math.min(FREE_PX + fall, room) - row * NAMES_PX
  // As high as the end itself it stands before the point there.
  const point = Math.abs(up) < FREE_PX ? POINT_PX : 0
  return [-FROM_END_PX - point - ahead, -Math.round(up)]
}

/** How high a curve is where its name begins. */
function underName({ x, y }: PlacedMark): number {
  const [first, last, end] = [x[0] ?? 0, x.at(-1) ?? 0, y.at(-1) ?? 0]
  const place = x.findIndex((at) => at >= last - UNDER_NAME * (last - first))
  // Of two ends alone it is reckoned.
  return place >= x.length - 1 ? end + UNDER_NAME * ((y[0] ?? 0) - end) : (y[place] ?? 0)
}
