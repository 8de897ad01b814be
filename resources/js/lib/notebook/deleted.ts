import type { Row } from '../api/types'
import { counted } from '../format'

/** Said when what was measured is deleted: an outlier is better shown. */
export const OUTLIER = 'Does it only look wrong? Undo, and set it aside with a reason: then it stays to be seen.'

/** So many rows at once are no outliers. */
const FEW = 3

/** What is said of rows that were deleted. */
export function deletedWords(rows: readonly Row[]): string {
  const [first] = rows
  const told =
    rows.length === 1 ? `Row ${counted(first?.number ?? 0)} is deleted.` : `${counted(rows.length)} rows are deleted.`
  const isMeasured = rows.some(({ cells }) => Object.values(cells).some((cell) => cell !== null))
  return isMeasured && rows.length <= FEW ? `${told} ${OUTLIER}` : told
}
