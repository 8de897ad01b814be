import type { Column, RunEvent, TimedPlan } from '../api/types'
import { fixed } from '../format'
import { lowerFirst, unitBehind } from '../notebook/labels'

const MINUTE_S = 60
const HOUR_S = 3600

const IN_SECONDS: Record<string, number> = { s: 1, min: MINUTE_S, h: HOUR_S, ms: 0.001 }

/** How many s a unit of time is. */
export function secondsIn(unit: string): number {
  return IN_SECONDS[unit] ?? 1
}

/** A number as a person writes it: 0.5, 2, 12.25. */
export function plainNumber(value: number): string {
  return fixed(value, 3).replace(/\.?0+$/, '')
}

/** "twice a second", "every 5 s", "200 times a second". */
export function rateWords(rate: number): string {
  if (Math.abs(rate - 1) < 1e-9) return 'once a second'
  if (Math.abs(rate - 2) < 1e-9) return 'twice a second'
  if (rate > 1) return `${plainNumber(rate)} times a second`
  return `every ${durationWords(1 / rate)}`
}

/** "45 s", "10 min", "1 h 30 min", "2.5 min". */
export function durationWords(seconds: number): string {
  if (seconds < 2 * MINUTE_S && seconds % MINUTE_S !== 0) return `${plainNumber(seconds)} s`
  if (seconds < HOUR_S) return `${plainNumber(seconds / MINUTE_S)} min`
  const hours = Math.floor(seconds / HOUR_S)
  const minutes = Math.round((seconds - hours * HOUR_S) / MINUTE_S)
  return minutes === 0 ? `${hours} h` : `${hours} h ${minutes} min`
}

/** A moment of a run as a clock shows it: "0:07", "12:30", "1:02:03"; with tenths while it is short. */
export function clockWords(seconds: number): string {
  if (seconds < 0) return `−${clockWords(-seconds)}`
  if (seconds < 10) return `${fixed(seconds, 1)} s`
  const whole = Math.floor(seconds)
  const two = (value: number) => String(value).padStart(2, '0')
  const hours = Math.floor(whole / HOUR_S)
  const rest = two(whole % MINUTE_S)
  const minutes = Math.floor((whole % HOUR_S) / MINUTE_S)
  return hours === 0 ? `${minutes}:${rest}` : `${hours}:${two(minutes)}:${rest}`
}

/** How well two clocks are set by each other, given in s: "3 ms"; nothing is known better than to one. */
export function clockErrorWords(seconds: number): string {
  return `${Math.max(1, Math.ceil(seconds * 1000 - 1e-6))} ms`
}

/** "pressure rises above 99 kPa", "temperature is steady". */
export function eventWords(event: RunEvent, columns: readonly Column[]): string {
  const column = columns.find(({ symbol }) => symbol === event.column)
  const name = column === undefined ? (event.column ?? '?') : lowerFirst(column.shownName)
  const unit = column === undefined ? '' : unitBehind(column.unit, column.symbol)
  const level = `${plainNumber(event.level ?? 0)}${unit === '' ? '' : ` ${unit}`}`
  switch (event.when) {
    case 'above':
      return `${name} rises above ${level}`
    case 'below':
      return `${name} falls below ${level}`
    case 'change':
      return `${name} changes by ${level} within ${plainNumber(event.within ?? 1)} s`
    case 'steady':
      return `${name} is steady`
    case 'marker':
      return 'the marker is pressed'
  }
}

/** "at once", "when pressure rises above 99 kPa, keeping 2 s before". */
export function beginWords(plan: TimedPlan, columns: readonly Column[]): string {
  if (plan.begin == null) return 'at once'
  const before = plan.begin.before ?? 0
  return `when ${eventWords(plan.begin, columns)}${before > 0 ? `, keeping ${plainNumber(before)} s before` : ''}`
}

/** "after 3 min", "when temperature is steady, after 3 min at the latest", "when it is stopped". */
export function endWords(plan: TimedPlan, columns: readonly Column[]): string {
  const event = plan.end == null ? null : `when ${eventWords(plan.end, columns)}`
  if (plan.length == null) return event ?? 'when it is stopped'
  const after = `after ${durationWords(plan.length)}`
  return event === null ? after : `${event}, ${after} at the latest`
}
