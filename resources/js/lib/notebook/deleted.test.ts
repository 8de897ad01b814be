import { expect, it } from 'vitest'
import { ROWS } from '../../testing/notebook'
import { deletedWords, OUTLIER } from './deleted'

it('says what was deleted, and of a few rows with numbers what is better', () => {
  const [row] = ROWS
  if (row === undefined) throw new Error('There is a row.')
  expect(deletedWords([{ ...row, number: 4 }])).toBe(`Row 4 is deleted. ${OUTLIER}`)
  expect(deletedWords([row, row])).toBe(`2 rows are deleted. ${OUTLIER}`)
  expect(deletedWords([row, row, row])).toContain(OUTLIER)
  expect(deletedWords([row, row, row, row])).toBe('4 rows are deleted.')
  expect(deletedWords([{ ...row, number: 12_000, cells: { pH: null } }])).toBe('Row 12,000 is deleted.')
})
