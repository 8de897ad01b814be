import type { Verdict } from '../../lib/api/types'

/** How a grade looks as a number and as a note. */
export const GRADE_TEXT: Readonly<Record<Verdict['grade'], string>> = {
  good: 'text-success',
  fair: 'amber',
  poor: 'text-error',
}
export const GRADE_TONE = { good: 'green', fair: 'amber', poor: 'red' } as const
