import { fixed } from '../format'
import type { Ink } from './ink'

export interface AxisRange {
  min: number
  max: number
}

const STEPS = [1, 2, 2.5, 5, 10]
const INTERVALS = 6
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

/** An axis in the style of the field book: ticks outside, fine grid, the name with its unit. */
export function axis(ink: Ink, name: string, range: AxisRange & { step: number }, nameGap: number) {
  const decimals = decimalsOf(range.step)
  return {
    type: 'value' as const,
    name,
    nameLocation: 'middle' as const,
    nameGap: nameGap * ink.scale,
    nameTextStyle: { color: ink.text, fontFamily: ink.sans, fontSize: 15 * ink.scale },
    min: range.min,
    max: range.max,
    interval: range.step,
    axisLine: { show: true, onZero: false, lineStyle: { color: ink.text } },
    axisTick: { show: true, length: 6, lineStyle: { color: ink.text } },
    minorTick: { show: true, splitNumber: 5, length: 3, lineStyle: { color: ink.text } },
    axisLabel: {
      color: ink.text,
      fontFamily: ink.mono,
      fontSize: 13 * ink.scale,
      hideOverlap: true,
      formatter: (value: number) => fixed(value, decimals),
    },
    splitLine: { show: true, lineStyle: { color: ink.grid, width: 1 } },
    minorSplitLine: { show: true, lineStyle: { color: ink.grid, width: 0.5, opacity: 0.6 } },
  }
}
