import type { Column, Figure, Marker, RunRows, RunSummary, TimedPlan } from '../../lib/api/types'
import { interrupted, type DrawnRun, type FigureInput, type Point } from '../../lib/figure/drawn'
import { markerMarks } from '../../lib/notebook/markers'
import { withTail, type RunPoints } from '../../lib/timed/points'
import { secondsIn } from '../../lib/timed/words'
import { WIDTH, type Stretch } from './usePoints'

const FIRST_ROOM_S = 30

const MOST_PANELS = 3

/** The time, and the measured columns of each panel that is drawn against it; without a figure each has its own. */
export function timedPanels(columns: readonly Column[], figures: readonly Figure[]) {
  const time = columns.find(({ kind }) => kind === 'time')
  const measured = columns.filter(({ kind }) => kind === 'measured')
  const figure = figures.find(({ x }) => x === time?.symbol)
  const drawn = (figure?.panels ?? [])
    .map(({ y }) => y.flatMap((symbol) => measured.find((one) => one.symbol === symbol) ?? []))
    .filter((of) => of.length > 0)
  const panels = drawn.length > 0 ? drawn : measured.slice(0, MOST_PANELS).map((one) => [one])
  return time === undefined || panels.length === 0 ? null : { time, panels }
}

export interface TimedSource {
  time: Column
  panels: readonly (readonly Column[])[]
  /** The run in hand last; the others are drawn faint. */
  runs: readonly RunSummary[]
  inHand: number | null
  points: readonly (RunPoints | null)[]
  /** Of a stretch that is looked at, of which more can be seen. */
  near?: readonly (RunPoints | null)[]
  channels: RunRows['channels']
  tail: ReadonlyMap<number, readonly Point[]>
  markers: readonly Marker[]
  plan: TimedPlan
  /** How far it has come at least, in s. */
  reached: number
  hasEnded: boolean
  newest: Stretch
}

/** What a figure of runs against time draws, as far as it can be seen. */
export function timedInput(source: TimedSource): FigureInput {
  const { time, panels, runs, inHand, markers, plan, reached, hasEnded, newest } = source
  const factor = secondsIn(time.unit)
  return {
    x: time,
    panels,
    runs: runs.map((run, index): DrawnRun => ({
      id: run.id,
      number: run.number,
      name: run.name,
      rows: [],
      lines: Object.fromEntries(panels.flat().map((column) => [column.symbol, lineOf(source, column, index, factor)])),
      isFaint: run.id !== inHand,
    })),
    marks: markerMarks(markers, time),
    isTight: true,
    leastX:
      newest === null
        ? {
            min: -(plan.begin?.before ?? 0) / factor,
            max: (hasEnded ? reached : roomFor(plan.length ?? null, reached)) / factor,
          }
        : { min: newest.from / factor, max: newest.to / factor },
  }
}

function lineOf(
  { channels, tail, newest, plan, points, near, runs, inHand }: TimedSource,
  column: Column,
  index: number,
  factor: number,
): Point[] {
  const isInHand = runs[index]?.id === inHand
  const drawn = (of: RunPoints | null | undefined) =>
    of == null ? [] : interrupted(of.lines[column.symbol] ?? [], stepOf(of, plan.rate))
  const line = withNear(drawn(points[index]), drawn(near?.[index]))
  const channel = channels.find(({ role }) => role !== null && role === column.role)
  // What is shown live is in the unit of the calibration.
  const isShownLive = isInHand && !column.isRaw && channel?.unit === column.unit
  const all = isShownLive ? withTail(line, tail.get(channel.probe.id) ?? []) : line
  return all.filter(([t]) => newest === null || t >= newest.from).map(([t, value]): Point => [t / factor, value])
}

/** A line with a stretch of it in more points. */
function withNear(line: readonly Point[], near: readonly Point[]): Point[] {
  const [from, to] = [near[0]?.[0], near.at(-1)?.[0]]
  if (from === undefined || to === undefined) return [...line]
  return [...line.filter(([t]) => t < from), ...near, ...line.filter(([t]) => t > to)]
}

/** From row to row, or from one column of pixels to the next. A probe may be slower than the run. */
function stepOf({ from, to }: RunPoints, rate: number): number {
  return Math.max(1 / rate, (to - from) / WIDTH)
}

/** As far as the plan goes; a run without an end gets room in steps, so that the figure does not creep. */
export function roomFor(length: number | null, reached: number): number {
  if (length !== null) return length
  let room = FIRST_ROOM_S
  while (room < reached) room *= 2
  return room
}
