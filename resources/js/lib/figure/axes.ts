import { fixed } from '../format'
import type { Ink } from './ink'

export interface AxisRange {
  min: number
  max: number
}

const STEPS = [1, 2, 2.5, 5, 10]
const INTERVALS = 6
/** Rounding leaves a tick so near to its place, as a part of a step. */
const TICK = 1e-6
const TIGHT_INTERVALS = 12
/** What reaches over the end of an axis by so little of a step, as noise about zero does, needs no step more. */
const HAIR = 0.01

/** A step a person would choose for about so many intervals over this length. */
export function niceStep(length: number, intervals = INTERVALS): number {
  if (!(length > 0) || !Number.isFinite(length)) return 1
  const rough = length / intervals
  const magnitude = 10 ** Math.floor(Math.log10(rough))
  const factor = STEPS.find((step) => step * magnitude >= rough * 0.999) ?? 10
  return factor * magnitude
}

/** Smallest and largest of however many values; null without any. */
export function extentOf(values: Iterable<number>): AxisRange | null {
  let min = Infinity
  let max = -Infinity
  for (const value of values) {
    if (value < min) min = value
    if (value > max) max = value
  }
  return min > max ? null : { min, max }
}

/** So many values at least before their digits are judged, and so many of their steps at least are shown. */
const ENOUGH = 30
const LEAST_STEPS = 10
/** Numbers that differ by less of their size are the same. */
const SAME = 1e-6

/** What is read over and over and only jumps between a few last digits is at rest, and does not fill a figure; else null. */
export function restRange(values: readonly number[]): AxisRange | null {
  if (values.length < ENOUGH) return null
  const different: number[] = []
  for (const value of values) {
    if (!Number.isFinite(value) || different.some((one) => Math.abs(one - value) <= SAME * Math.abs(value))) continue
    different.push(value)
    if (different.length > LEAST_STEPS) return null
  }
  different.sort((a, b) => a - b)
  const [first = 0, last = 0] = [different[0], different.at(-1)]
  const step = Math.min(...different.map((value, i) => value - (different[i - 1] ?? -Infinity)))
  if (different.length < 2 || last - first >= LEAST_STEPS * step) return null
  const middle = (first + last) / 2
  return { min: middle - (LEAST_STEPS / 2) * step, max: middle + (LEAST_STEPS / 2) * step }
}

/** The range of these values, widened to whole steps; one value gets room on both sides. */
export function niceRange(
  values: Iterable<number>,
  least: AxisRange | null,
  intervals = INTERVALS,
): AxisRange & { step: number } {
  const extent = extentOf(values) ?? least ?? { min: 0, max: 1 }
  let min = Math.min(extent.min, least?.min ?? Infinity)
  let max = Math.max(extent.max, least?.max ?? -Infinity)
  if (max - min < 1e-12 * Math.max(Math.abs(min), Math.abs(max), 1e-300)) {
    const room = Math.abs(max) * 0.05 || 1
    min -= room
    max += room
  }
  const step = niceStep(max - min, intervals)
  return { min: Math.floor(min / step + HAIR) * step, max: Math.ceil(max / step - HAIR) * step, step }
}

/** The same in steps half as wide, so that little is left empty. */
export function tightRange(values: Iterable<number>, least: AxisRange | null): AxisRange & { step: number } {
  return niceRange(values, least, TIGHT_INTERVALS)
}

function decimalsOf(step: number): number {
  const decimals = Math.ceil(-Math.log10(step) - 1e-9)
  return Math.max(0, Math.min(8, decimals + (Math.abs((step * 10 ** decimals) % 1) > 1e-6 ? 1 : 0)))
}

/** What somebody wishes of an axis, in its unit; null: as the values are. */
export interface AxisWish {
  scale: 'linear' | 'log'
  from: number | null
  to: number | null
  /** What it is called in place of its columns. */
  label?: string | null
}

export type DrawnRange = AxisRange & {
  step: number
  isLogarithmic?: boolean
  /** Whether its ends are where a hand left them, and not numbers to be told. */
  isPart?: boolean
}

/** A range, or the part of it that is seen. */
export function seenRange(all: DrawnRange, seen: AxisRange | null, intervals?: number): DrawnRange {
  return seen === null
    ? all
    : { ...all, ...seen, step: all.isLogarithmic === true ? 1 : niceStep(seen.max - seen.min, intervals), isPart: true }
}

/** How a number is told along an axis. */
export function labelOf(value: number, { step, isLogarithmic }: DrawnRange): string {
  return isLogarithmic === true ? powerText(value) : fixed(value, decimalsOf(step))
}

/** The range that is wished, and where nothing is, that of the values. */
export function wishedRange(
  values: readonly number[],
  wish: AxisWish | null,
  usual: (values: Iterable<number>) => AxisRange & { step: number },
): DrawnRange {
  if (wish === null) return usual(values)
  if (wish.scale === 'log') return logRange(values, wish)
  if (wish.from === null && wish.to === null) return usual(values)
  const inside = values.filter((value) => value >= (wish.from ?? -Infinity) && value <= (wish.to ?? Infinity))
  const ends = [wish.from, wish.to].filter((end) => end !== null)
  const nice = usual([...inside, ...ends])
  // An end with nothing beyond it, as 0 typed above all values, gets room on its other side.
  const min = wish.from ?? Math.min(nice.min, (wish.to ?? 0) - nice.step)
  const max = wish.to ?? Math.max(nice.max, (wish.from ?? 0) + nice.step)
  return { min, max, step: niceStep(max - min) }
}

/** Whole powers of ten around what is above zero; one of them at least. */
function logRange(values: readonly number[], wish: AxisWish): DrawnRange {
  const extent = extentOf(values.filter((value) => value > 0)) ?? { min: 1, max: 10 }
  const min = wish.from ?? 10 ** Math.floor(Math.log10(Math.min(extent.min, wish.to ?? Infinity)) + HAIR)
  const max = wish.to ?? 10 ** Math.ceil(Math.log10(Math.max(extent.max, min)) - HAIR)
  return max > min
    ? { min, max, step: 1, isLogarithmic: true }
    : wish.to === null
      ? { min, max: 10 * min, step: 1, isLogarithmic: true }
      : { min: max / 10, max, step: 1, isLogarithmic: true }
}

const RAISED = ['⁰', '¹', '²', '³', '⁴', '⁵', '⁶', '⁷', '⁸', '⁹']

/** A power of ten as it is written: 0.01, 100, and with more noughts 10⁴. */
export function powerText(value: number): string {
  const power = Math.round(Math.log10(value))
  if (Math.abs(value / 10 ** power - 1) > 1e-9) return String(Number(value.toPrecision(3)))
  if (Math.abs(power) <= 3) return power >= 0 ? String(Math.round(value)) : value.toFixed(-power)
  return `10${power < 0 ? '⁻' : ''}${String(Math.abs(power)).replace(/\d/g, (digit) => RAISED[Number(digit)] ?? '')}`
}

function isTick(value: number, { step, isLogarithmic }: DrawnRange): boolean {
  const places = isLogarithmic === true ? Math.log10(value) : value / step
  return Math.abs(places - Math.round(places)) < TICK
}

/** Told just so, steps are counted from the lower end; between a least and a most, from zero. */
function steps(range: DrawnRange) {
  const { step } = range
  return isTick(range.min, range) ? { interval: step } : { minInterval: step, maxInterval: step }
}

/** An axis in the style of the field book: ticks outside, fine grid, the name with its unit. */
export function axis(ink: Ink, name: string, range: DrawnRange, nameGap: number) {
  const isLogarithmic = range.isLogarithmic === true
  return {
    type: isLogarithmic ? ('log' as const) : ('value' as const),
    name,
    nameLocation: 'middle' as const,
    nameGap: nameGap * ink.scale,
    nameTextStyle: { color: ink.text, fontFamily: ink.sans, fontSize: 15 * ink.scale },
    min: range.min,
    max: range.max,
    ...(isLogarithmic ? {} : steps(range)),
    axisLine: { show: true, onZero: false, lineStyle: { color: ink.text } },
    axisTick: { show: true, length: 6, lineStyle: { color: ink.text } },
    // Evenly by fifths; a power of ten by its multiples, 20, 30 … 90.
    minorTick: { show: true, splitNumber: isLogarithmic ? 9 : 5, length: 3, lineStyle: { color: ink.text } },
    axisLabel: {
      color: ink.text,
      fontFamily: ink.mono,
      fontSize: 13 * ink.scale,
      hideOverlap: true,
      formatter: (value: number) => (range.isPart === true && !isTick(value, range) ? '' : labelOf(value, range)),
    },
    splitLine: { show: true, lineStyle: { color: ink.grid, width: 1 } },
    minorSplitLine: { show: true, lineStyle: { color: ink.grid, width: 0.5, opacity: 0.6 } },
  }
}
