import type { Column, Mark, Row } from '../api/types'
import { numberOf, stepText } from '../notebook/labels'
import type { AxisRange, AxisWish } from './axes'
import type { PickPoint, Selection } from './selection'

export type { AxisWish }

export interface DrawnRun {
  id: number
  number: number
  name: string
  /** How it is called where it is told from trials that are drawn alike. */
  title?: string
  rows: readonly Row[]
  /** Lines to draw instead of the rows, by symbol: what can be seen of so many samples. */
  lines?: Readonly<Record<string, readonly Point[]>>
  /** An earlier run, to compare with. */
  isFaint?: boolean
}

/** A mark with what stands beside it; one of another run than that in hand has the colour of its run. */
export type PlacedMark = Mark & { text: string; runNumber?: number }

/** How a panel is drawn: its axis, and what is drawn along a second one at the right. */
export interface PanelWish {
  axis: AxisWish
  right: readonly Column[]
  rightAxis: AxisWish
}

/** How a figure is drawn where it is not as usual. */
export interface DrawingWish {
  axis: AxisWish
  panels: readonly PanelWish[]
  /** Whether points are joined; null: as they were recorded. */
  points: 'joined' | 'apart' | null
  hasBars: boolean
}

export interface FigureInput {
  x: Column
  panels: readonly (readonly Column[])[]
  drawing?: DrawingWish
  runs: readonly DrawnRun[]
  marks?: readonly PlacedMark[]
  /** Stretches of x that are shaded, those lines work over and those that have a name, with that. */
  spans?: readonly (readonly [number, number, string])[]
  selection?: Selection
  /** Where the next reading is to be taken. */
  next?: number | null
  /** At least this much of x is shown. */
  leastX?: AxisRange | null
  /** Whether x goes no further than what is drawn, but for a fine tick. */
  isTight?: boolean
}

export type Point = [number, number]

/** More points than this are drawn on a canvas: a drawing of so many parts is slow. */
export const MOST_DRAWN_AS_PARTS = 3000

/** Words are told along x in the order they first come. */
export function wordsOf(x: Column, runs: readonly DrawnRun[]): string[] | null {
  if (!x.isWords) return null
  return [...new Set(runs.flatMap(({ rows }) => rows.map(({ step }) => stepText(step, x))))]
}

export function xOf(row: Row, x: Column, words: readonly string[] | null): number | null {
  return words === null ? numberOf(row, x) : words.indexOf(stepText(row.step, x))
}

export function pointsOf(
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

/** So many times the usual distance between two points, and something is missing. */
const MISSING = 3

/** A line that is interrupted where along x there is nothing for longer than is usual in it, and than `step` lets expect. */
export function interrupted(points: readonly Point[], step = 0): Point[] {
  const longest = MISSING * Math.max(step, usualDistance(points))
  return points.flatMap((point, i): Point[] => {
    const before = points[i - 1]
    return before !== undefined && point[0] - before[0] > longest ? [[before[0], NaN], point] : [point]
  })
}

/** What is drawn of a column of a run: its rows that count, or what can be seen of its samples. */
export function drawnPoints(run: DrawnRun, x: Column, y: Column, words: readonly string[] | null): readonly Point[] {
  if (run.lines !== undefined) return run.lines[y.symbol] ?? []
  return ofRows(run.rows, [x, y], 'drawn', words, () => {
    const points = pointsOf(run.rows, x, y, words, false)
    return x.kind === 'time' ? interrupted(points) : points
  })
}

/** The points of a column of a run that are set aside. */
export function asidePoints(run: DrawnRun, x: Column, y: Column, words: readonly string[] | null): readonly Point[] {
  return ofRows(run.rows, [x, y], 'aside', words, () => pointsOf(run.rows, x, y, words, true))
}

function ofRows(
  rows: readonly Row[],
  [x, y]: readonly [Column, Column],
  which: string,
  words: readonly string[] | null,
  make: () => Point[],
): readonly Point[] {
  if (words !== null) return make()
  const known = pairsOf.get(rows) ?? new Map<string, Point[]>()
  pairsOf.set(rows, known)
  const pair = [which, x.kind, x.symbol, y.kind, y.symbol].join(' ')
  const points = known.get(pair) ?? make()
  known.set(pair, points)
  return points
}

/** Rows are taken apart once, not with every frame while a hand moves what is seen; they never change. */
const pairsOf = new WeakMap<readonly Row[], Map<string, Point[]>>()

function usualDistance(points: readonly Point[]): number {
  const distances = points.slice(1).map(([at], i) => at - (points[i]?.[0] ?? at))
  return distances.sort((a, b) => a - b)[Math.floor(distances.length / 2)] ?? 0
}

/** All places along x where something is drawn. */
export function placesOf({ x, panels, runs }: FigureInput, words: readonly string[] | null): number[] {
  return runs.flatMap((run) =>
    run.lines === undefined
      ? run.rows.flatMap((row) => xOf(row, x, words) ?? [])
      : panels
          .flat()
          .flatMap(({ symbol }) =>
            [run.lines?.[symbol]?.[0]?.[0] ?? [], run.lines?.[symbol]?.at(-1)?.[0] ?? []].flat(),
          ),
  )
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

/** The axis a panel's columns of one side are drawn along: those at the left first, in the order of the panels, then those at the right. */
export function axisIndexOf({ drawing, panels }: FigureInput, panel: number, isRight: boolean): number {
  if (!isRight) return panel
  const before = (drawing?.panels ?? []).slice(0, panel).filter(({ right }) => right.length > 0).length
  return panels.length + before
}

/** The one run whose columns are told apart at their axes, as the panel has two; null where names stand at the lines. */
export function keyedRun({ drawing, runs }: FigureInput, panel: number): DrawnRun | null {
  const [run, another] = runs.filter(({ isFaint }) => isFaint !== true)
  return (drawing?.panels[panel]?.right ?? []).length === 0 || another !== undefined ? null : (run ?? null)
}

/** How many points of the runs are not seen, as the ends of an axis leave them out or a power of ten has no place for them. */
export function beyondAxes(input: FigureInput): number {
  const { x, panels, runs, drawing } = input
  const words = wordsOf(x, runs)
  const isBeyond = (value: number, wish: AxisWish | undefined) =>
    wish !== undefined &&
    ((wish.scale === 'log' && value <= 0) || value < (wish.from ?? -Infinity) || value > (wish.to ?? Infinity))
  return panels.flatMap((columns, panel) => {
    const wish = drawing?.panels[panel]
    return [...columns, ...(wish?.right ?? [])].flatMap((y, place) =>
      runs.flatMap((run) =>
        pointsOf(run.rows, x, y, words, false).filter(
          ([at, height]) =>
            (words === null && isBeyond(at, drawing?.axis)) ||
            isBeyond(height, place < columns.length ? wish?.axis : wish?.rightAxis),
        ),
      ),
    )
  }).length
}

/** The points that have a place: by powers of ten there is none for 0 and what is below. */
export function placeable(
  points: readonly Point[],
  { drawing }: FigureInput,
  panel: number,
  isRight: boolean,
): readonly Point[] {
  const wish = drawing?.panels[panel]
  const [alongX, alongY] = [drawing?.axis.scale === 'log', (isRight ? wish?.rightAxis : wish?.axis)?.scale === 'log']
  return alongX || alongY ? points.filter(([x, y]) => !(alongX && x <= 0) && !(alongY && y <= 0)) : points
}

/** How far each point that is drawn may be off, as upright lines with a gap after each. */
export function barsOf(rows: readonly Row[], x: Column, y: Column, words: readonly string[] | null): Point[] {
  return rows.flatMap((row): Point[] => {
    const at = xOf(row, x, words)
    const cell = row.cells[y.symbol]
    if (at === null || cell == null || row.setAside !== null || !(cell.uncertainty > 0)) return []
    return [
      [at, cell.value - cell.uncertainty],
      [at, cell.value + cell.uncertainty],
      [at, NaN],
    ]
  })
}

export function pointCount({ panels, runs }: FigureInput): number {
  return runs.reduce(
    (sum, { rows, lines }) =>
      sum +
      (lines === undefined
        ? rows.length * panels.length
        : Object.values(lines).reduce((all, line) => all + line.length, 0)),
    0,
  )
}
