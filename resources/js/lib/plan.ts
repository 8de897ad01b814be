import type { Column, Plan } from './api/types'
import { fixed } from './format'
import { stepText, unitBehind } from './notebook/labels'

type Step = number | string

/** Numbers as a person writes them: 0.5, 0.25, 1. */
function plain(value: number, column: Column | undefined): string {
  const text = fixed(value, column?.decimals ?? 2)
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text
}

function unitOf(column: Column | undefined): string {
  const unit = column === undefined ? '' : unitBehind(column.unit, column.symbol)
  return unit === '' ? '' : ` ${unit}`
}

/** "then 10.00, 10.25 … 12.00 mL": what comes after the next step. */
export function comingWords(remaining: readonly Step[], column: Column | undefined): string | null {
  const [, second, third] = remaining
  const last = remaining[remaining.length - 1]
  if (second === undefined || last === undefined) return null
  const unit = typeof second === 'number' ? unitOf(column) : ''
  if (third === undefined) return `then ${stepText(second, column)}${unit}`
  if (remaining.length === 3) return `then ${stepText(second, column)}, ${stepText(third, column)}${unit}`
  return `then ${stepText(second, column)}, ${stepText(third, column)} … ${stepText(last, column)}${unit}`
}

/** "0 to 9 mL by 0.5, to 12 mL by 0.25": a whole plan in words. */
export function planWords(plan: Plan, column: Column | undefined): string {
  const unit = unitOf(column)
  if (plan.ranges !== undefined && plan.ranges.length > 0) {
    return plan.ranges
      .map((range, index) =>
        index === 0
          ? `${plain(range.from, column)} to ${plain(range.to, column)}${unit} by ${plain(range.step, column)}`
          : `to ${plain(range.to, column)}${unit} by ${plain(range.step, column)}`,
      )
      .join(', ')
  }
  const steps = plan.steps ?? []
  if (steps.length === 0) return 'typed as one goes'
  return steps.map((step) => (typeof step === 'number' ? `${plain(step, column)}${unit}` : step)).join(', ')
}
