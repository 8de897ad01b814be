import type { PlanRange } from './api/types'
import { fixed, volume } from './format'

/** Steps as a person writes them: 0.5, 0.25, 1. */
function step(millilitres: number): string {
  return fixed(millilitres, 2).replace(/\.?0+$/, '')
}

/** "then 10.00, 10.25 … 12.00 mL": what comes after the next step. */
export function comingWords(remaining: readonly number[]): string | null {
  const [, second, third] = remaining
  const last = remaining[remaining.length - 1]
  if (second === undefined || last === undefined) return null
  if (third === undefined) return `then ${volume(second)} mL`
  return `then ${volume(second)}, ${volume(third)} … ${volume(last)} mL`
}

/** "0 to 9 mL by 0.5, to 12 mL by 0.25": a whole plan in words. */
export function planWords(plan: readonly PlanRange[]): string {
  return plan
    .map((range, index) =>
      index === 0
        ? `${step(range.from) || '0'} to ${step(range.to)} mL by ${step(range.step)}`
        : `to ${step(range.to)} mL by ${step(range.step)}`,
    )
    .join(', ')
}
