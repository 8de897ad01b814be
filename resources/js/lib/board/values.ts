import type { BoardChannel, Column, LiveBench, LiveProbe } from '../api/types'
import type { Point } from '../figure/drawn'
import { fixed } from '../format'

/** What a column shows this moment. */
export interface Now {
  value: number | null
  probe: LiveProbe | null
}

/** The live value of a column, if its probe gives it in the unit of the column. */
export function liveValue(column: Column, channels: readonly BoardChannel[], live: LiveBench | null): Now {
  const channel = channels.find(({ symbol }) => symbol === column.symbol)
  const probe = live?.probes.find(({ id }) => id === channel?.probeId) ?? null
  if (channel === undefined || probe === null) return { value: null, probe: null }
  if (column.isRaw) return { value: probe.raw, probe }
  return { value: channel.unit === column.unit ? probe.value : null, probe }
}

export function shownNumber(value: number | null, column: Column): string {
  return value === null ? '—' : fixed(value, column.decimals ?? 2)
}

/** The value nearest to a moment; null where none lies within reach. */
export function valueAt(line: readonly Point[], at: number, reach: number): number | null {
  let nearest: Point | null = null
  for (const point of line) {
    if (nearest === null || Math.abs(point[0] - at) < Math.abs(nearest[0] - at)) nearest = point
  }
  return nearest === null || Math.abs(nearest[0] - at) > reach ? null : nearest[1]
}

/** Seconds on both sides of a moment in which its sample lies, few enough that a picture shows them one by one. */
export function reachOf(rate: number): number {
  return Math.max(1.5 / rate, Math.min(5, 400 / rate))
}

const STEPS_S = [0.1, 0.2, 0.5, 1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 1800, 3600, 7200]
/** So many samples are seen one by one in a picture. */
const MOST_SAMPLES = 800

/**
 * Moments a table of a timed run shows, the newest first: whole steps that spread over the run, but not so far that between
 * the first and the last more samples lie than can be seen one by one. None if steps of the least length would do that.
 */
export function tableMoments(elapsed: number, rate: number, rows: number, leastStep: number): number[] {
  const longest = MOST_SAMPLES / (rate * rows)
  const fitting = STEPS_S.filter((step) => step <= longest && step >= leastStep && step >= 1 / rate - 1e-9)
  const slow = STEPS_S.find((step) => step >= 1 / rate - 1e-9) ?? 1 / rate
  const step = fitting.find((one) => one >= elapsed / (rows * 2)) ?? fitting.at(-1) ?? (slow <= longest ? slow : null)
  if (step === null || step < leastStep) return []
  const last = Math.floor(elapsed / step + 1e-9)
  return Array.from({ length: Math.max(0, Math.min(rows, last + 1)) }, (_, index) => (last - index) * step)
}

/** Which part of a bar of a level is filled, from 0 to 1. */
export function share(value: number, from: number, to: number): number {
  return Math.max(0, Math.min(1, (value - from) / (to - from)))
}
