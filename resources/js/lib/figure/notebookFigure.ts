import type { EChartsOption as FigureOption } from 'echarts'
import type { Column } from '../api/types'
import { axisName, calledAxis, columnHead } from '../notebook/labels'
import { axis, labelOf, seenRange } from './axes'
import { axisIndexOf, keyedRun, type FigureInput } from './drawn'
import { runColour, shapeLetter, type Ink } from './ink'
import { BELOW_KEY_PX, figureKey, USUAL_ROOM, type Room } from './key'
import { columnsFor } from './seenPoints'
import { markSeries, nextSeries, pickedSeries } from './markSeries'
import { namesOf, runSeries, shapeSeries } from './series'
import { WHOLE, type View } from './view'
import { wholeX, wholeY } from './whole'

const LEFT_PX = 70
/** Width of one letter of a label, and what stands beside the labels: ticks and the name. */
const LETTER_PX = 8
const BESIDE_LABELS_PX = 32
const RIGHT_PX = 30
/** From the edge to the middle of a name that stands upright. */
const NAME_PX = 24
const BOTTOM_PX = 56
/** Between two panels, so that the labels of one do not run into those of the other. */
const GAP_PERCENT = 8
/** So many steps of y at most in a low panel, or where labels are large; large labels in a low panel leave room for half of them. */
const FEW_INTERVALS = 4

/** A figure of columns of runs, in panels over one x, with the marks of the working. It knows no experiment. */
export function notebookFigure(
  input: FigureInput,
  ink: Ink,
  room: Room = USUAL_ROOM,
  view: View = WHOLE,
): FigureOption {
  const { x, panels, runs, drawing, next = null } = input
  const { words, range: allX } = wholeX(input)
  const range = seenRange(allX, view.x)
  const gap = GAP_PERCENT * ink.scale
  const height = (100 - gap * (panels.length - 1)) / panels.length
  const firstHeight = panels.length === 1 ? height : Math.min(62, height + 14)
  const axes = panels.map((columns, index) => yAxis(columns, index, input, words, ink, view))
  const right = panels.flatMap((_, index) => {
    const wish = drawing?.panels[index]
    return wish === undefined || wish.right.length === 0
      ? []
      : [yAxis(wish.right, index, input, words, ink, view, true)]
  })
  const upwards = [...axes, ...right]
  const rightPx = Math.max(RIGHT_PX, ...right.map(({ letters }) => BESIDE_LABELS_PX + letters * LETTER_PX)) * ink.scale
  // All panels begin at one line, so the longest label of all counts.
  const left = Math.max(LEFT_PX, ...axes.map(({ letters }) => BESIDE_LABELS_PX + letters * LETTER_PX)) * ink.scale
  const width = room.width - left - rightPx
  const lines = runs.length * panels.flat().length
  const inColumns = columnsFor(lines, width, room.isMoving)
  const key = figureKey(namesOf(input), ink, left, width)
  // What the key takes, as a part of all.
  const keyPart = Math.min(40, (100 * key.height) / Math.max(1, room.height))
  const below = (100 - keyPart) / 100
  const drawn = panels.flatMap((columns, panel) =>
    [...columns, ...(drawing?.panels[panel]?.right ?? [])].map((y, place) => {
      const isRight = place >= columns.length
      const placing = { place, panel, isRight, seen: range, columns: inColumns }
      return { panel, isRight, of: runs.map((run) => runSeries(run, y, placing, input, words, ink)) }
    }),
  )
  const otherHeight = panels.length === 1 ? 0 : (100 - firstHeight - gap * (panels.length - 1)) / (panels.length - 1)
  return {
    animation: false,
    legend: key.legend,
    grid: panels.map((_, index) => ({
      left,
      right: rightPx,
      // The heights are parts of what the names of x leave.
      top:
        index === 0
          ? BELOW_KEY_PX + key.height
          : `${keyPart + (firstHeight + gap + (index - 1) * (otherHeight + gap)) * 0.86 * below}%`,
      ...(index === panels.length - 1
        ? { bottom: BOTTOM_PX * ink.scale }
        : { height: `${(index === 0 ? firstHeight : otherHeight) * 0.82 * below}%` }),
      outerBoundsMode: 'none' as const,
    })),
    xAxis: panels.map((_, index) => {
      const isLast = index === panels.length - 1
      const made = axis(ink, isLast ? nameOfX(input) : '', range, 32)
      return {
        ...made,
        gridIndex: index,
        axisLabel: isLast
          ? { ...made.axisLabel, ...(words === null ? {} : { formatter: (value: number) => words[value] ?? '' }) }
          : { show: false },
        ...(words === null ? {} : { minorTick: { show: false }, minorSplitLine: { show: false } }),
      }
    }),
    yAxis: [
      ...axes.map(({ axis: made }) => ({ ...made, nameGap: left - NAME_PX * ink.scale })),
      ...right.map(({ axis: made }) => ({ ...made, nameGap: rightPx - NAME_PX * ink.scale })),
    ],
    series: [
      ...drawn.flatMap(({ of }) => of.flatMap(({ series }) => series)),
      ...drawn.flatMap(({ of, ...side }) =>
        shapeSeries(
          of.flatMap(({ shapes }) => shapes),
          side,
          input,
        ),
      ),
      ...panels.flatMap((columns, panel) => {
        const right = drawing?.panels[panel]?.right ?? []
        const marksOf = (of: readonly Column[], isRight: boolean) => {
          const y = upwards[axisIndexOf(input, panel, isRight)]
          return y === undefined || of.length === 0
            ? []
            : markSeries(of, panel, input, ink, { isRight, widthPx: width, y: y.seen })
        }
        return [...marksOf(columns, false), ...marksOf(right, true)]
      }),
      ...pickedSeries(input, ink),
      ...(next === null ? [] : [nextSeries(next, x, range, ink)]),
    ],
  } as FigureOption
}

function nameOfX({ x, drawing }: FigureInput): string {
  const label = drawing?.axis.label ?? null
  return label === null ? axisName(x) : calledAxis(label, x)
}

function yAxis(
  columns: readonly Column[],
  panel: number,
  input: FigureInput,
  words: string[] | null,
  ink: Ink,
  view: View,
  isRight = false,
) {
  const { panels } = input
  const isSmall = panels.length > 1
  const wish = input.drawing?.panels[panel]
  const label = (isRight ? wish?.rightAxis : wish?.axis)?.label ?? null
  const [first] = columns
  // A low panel has no room for words beside it.
  const names =
    label !== null && first !== undefined
      ? [calledAxis(label, first)]
      : columns.map(isSmall && panel > 0 ? columnHead : axisName)
  const isLow = isSmall && panel > 0
  const isLarge = ink.scale > 1
  const few = isLow && isLarge ? FEW_INTERVALS / 2 : isLow || isLarge ? FEW_INTERVALS : undefined
  const { range: all, isEmpty } = wholeY(columns, panel, input, words, isRight, few)
  const range = seenRange(all, view.y[axisIndexOf(input, panel, isRight)] ?? null, few)
  const keyed = keyedRun(input, panel)
  const firstPlace = isRight ? (panels[panel]?.length ?? 0) : 0
  const of = (place: number) => (keyed?.number ?? 1) + firstPlace + place
  // Of two axes each says by shape and colour which points are read along it.
  const shapes = columns.map((_, place) => (keyed === null ? '' : `{k${place}|${shapeLetter(of(place))}} `))
  const name =
    names.length === columns.length
      ? names.map((one, place) => `${shapes[place] ?? ''}${one}`)
      : [`${shapes.join('')}${names.join(', ')}`]
  const rich = Object.fromEntries(columns.map((_, place) => [`k${place}`, { color: runColour(ink, of(place)) }]))
  const made = axis(ink, name.join(', '), range, 0)
  const letters = Math.max(...[range.min, range.max].map((end) => labelOf(end, range).length))
  return {
    letters,
    seen: { min: range.min, max: range.max, isLogarithmic: made.type === 'log' },
    axis: {
      ...made,
      gridIndex: panel,
      // Two sets of lines over each other are read along neither.
      ...(isRight ? { position: 'right' as const, splitLine: { show: false }, minorSplitLine: { show: false } } : {}),
      nameTextStyle: {
        ...made.nameTextStyle,
        fontSize: (isSmall ? 13 : 15) * ink.scale,
        ...(keyed === null ? {} : { rich }),
      },
      axisLabel: isEmpty ? { show: false } : made.axisLabel,
      ...(isSmall ? { minorTick: { show: false }, minorSplitLine: { show: false } } : {}),
    },
  }
}
