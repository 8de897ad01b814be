import { expect, it } from 'vitest'
import { notebook, ROWS, runRows } from '../../testing/notebook'
import { numberOf } from './labels'
import { rowsAt } from './rowsAt'

it('finds the rows of points by their values, those that count', () => {
  const { columns } = notebook()
  const [V, pH] = ['V', 'pH'].map((symbol) => columns.find((one) => one.symbol === symbol))
  if (V === undefined || pH === undefined) throw new Error('There are both.')
  const all = runRows(1, ROWS)
  const point = (row: (typeof ROWS)[number]) => ({ x: numberOf(row, V) ?? 0, y: numberOf(row, pH) ?? 0 })
  const counting = ROWS.filter(({ setAside }) => setAside === null)
  const aside = ROWS.filter(({ setAside }) => setAside !== null)
  const [row] = counting
  if (row === undefined) throw new Error('One counts.')
  expect(aside.length).toBeGreaterThan(0)
  expect(rowsAt(all, 'V', 'pH', columns, counting.slice(0, 1).map(point))).toEqual(counting.slice(0, 1))
  expect(rowsAt(all, 'V', 'pH', columns, aside.map(point))).toEqual([])
  expect(rowsAt(all, 'V', 'pH', columns, [{ x: point(row).x, y: -99 }])).toEqual([])
  expect(rowsAt(all, 'V', 'gone', columns, counting.map(point))).toEqual([])
})
