import { fixed } from '../format'
import type { Ink } from './ink'

interface AxisRange {
  min: number
  max: number
}

const STEPS = [1, 2, 2.5, 5, 10]
const INTERVALS = 6

/** A step a person would choose for about six intervals over this length. */
export function niceStep(length: number): number {
  if (!(length > 0)) return 1
  const rough = length / INTERVALS
  const magnitude = 10 ** Math.floor(Math.log10(rough))
  const factor = STEPS.find((step) => step * magnitude >= rough * 0.999) ?? 10
  return factor * magnitude
}

/** The range of these values, widened to whole steps. */
export function niceRange(values: readonly number[], least: AxisRange): AxisRange & { step: number } {
  const min = Math.min(least.min, ...values)
  const max = Math.max(least.max, ...values)
  const step = niceStep(max - min)
  return { min: Math.floor(min / step + 1e-9) * step, max: Math.ceil(max / step - 1e-9) * step, step }
}

function decimalsOf(step: number): number {
  return Math.max(
    0,
    Math.min(4, Math.ceil(-Math.log10(step) - 1e-9) + (Number.isInteger(step * 4) && step % 0.5 ? 1 : 0)),
  )
}

/** An axis in the style of the field book: ticks outside, fine grid, the name with its unit. */
export function axis(ink: Ink, name: string, range: AxisRange & { step: number }, nameGap: number) {
  const decimals = decimalsOf(range.step)
  return {
    type: 'value' as const,
    name,
    nameLocation: 'middle' as const,
    nameGap,
    nameTextStyle: { color: ink.text, fontFamily: ink.sans, fontSize: 15 },
    min: range.min,
    max: range.max,
    interval: range.step,
    axisLine: { show: true, onZero: false, lineStyle: { color: ink.text } },
    axisTick: { show: true, length: 6, lineStyle: { color: ink.text } },
    minorTick: { show: true, splitNumber: 5, length: 3, lineStyle: { color: ink.text } },
    axisLabel: {
      color: ink.text,
      fontFamily: ink.mono,
      fontSize: 13,
      formatter: (value: number) => fixed(value, decimals),
    },
    splitLine: { show: true, lineStyle: { color: ink.grid, width: 1 } },
    minorSplitLine: { show: true, lineStyle: { color: ink.grid, width: 0.5, opacity: 0.6 } },
  }
}
