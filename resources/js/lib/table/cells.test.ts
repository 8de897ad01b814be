import { expect, it } from 'vitest'
import { column, row, VOLUME } from '../../testing/notebook'
import { isBlankAmong, isTypedIn, shownText, typedText, widthOf } from './cells'

it('knows where a cell is typed', () => {
  const kinds = ['time', 'measured', 'step', 'typed', 'derived'] as const
  const typed = (run: string) => kinds.filter((kind) => isTypedIn({ kind: run }, { kind }))
  expect([typed('typed'), typed('stepwise'), typed('timed')]).toEqual([
    ['time', 'measured', 'step', 'typed'],
    ['typed'],
    [],
  ])
})

it('tells what stands in a cell as it can be typed again', () => {
  const flow = column('q', { kind: 'typed' })
  expect(typedText(row(1, null, { q: 12 }), flow)).toBe('12.00')
  expect(typedText(row(1, null, {}, { texts: { q: '4.45x' } }), flow)).toBe('4.45x')
  expect(typedText(row(1, null), flow)).toBe('')
  expect(typedText(undefined, flow)).toBe('')
  expect(typedText(row(1, 2.5), VOLUME)).toBe('2.50')
  expect(typedText(row(1, null, { V: 2.5 }), VOLUME)).toBe('2.50')
})

it('shows the digits of a column, and copies all that a number has', () => {
  const rounded = row(1, null, {}, { cells: { q: { value: 9.8134, uncertainty: 0.3, shown: '9.8' } } })
  const flow = column('q', { kind: 'typed' })
  expect([shownText(rounded, flow), typedText(rounded, flow)]).toEqual(['9.8', '9.8134'])
  expect(typedText(row(1, null, { q: 12 }), flow)).toBe('12.00')
  expect(shownText(undefined, flow)).toBe('')
})

it('has a usual width', () => {
  expect([widthOf({ width: null }), widthOf({ width: 200 })]).toEqual([96, 200])
})

it('finds a cell that is blank among others, and no other', () => {
  const foot = { symbol: 'q', n: 2, mean: '', sd: '', least: '', most: '' }
  const rows = {
    typed: {
      rowCount: 3,
      isThinned: false,
      asideCount: 0,
      only: null,
      feet: [foot],
      blanks: [],
      unreadable: [],
      unreadableCount: 0,
    },
  }
  const flow = column('q', { kind: 'typed' })
  const gap = row(2, null, { t: 1 }, { cells: { q: null, t: { value: 1, uncertainty: 0, shown: '1' } } })
  expect(isBlankAmong(rows, gap, 1, flow)).toBe(true)
  expect(isBlankAmong(rows, gap, 2, flow)).toBe(false)
  expect(isBlankAmong(rows, { ...gap, setAside: 'Spilled.' }, 1, flow)).toBe(false)
  expect(isBlankAmong(rows, row(2, null, { q: 3, t: 1 }), 1, flow)).toBe(false)
  expect(isBlankAmong(rows, row(2, null, {}, { cells: { q: null, t: null } }), 1, flow)).toBe(false)
  expect(isBlankAmong(rows, gap, 1, { ...flow, isWords: true })).toBe(false)
  expect(isBlankAmong(rows, gap, 1, { ...flow, kind: 'derived' })).toBe(false)
  expect(isBlankAmong(rows, gap, 1, column('p', { kind: 'typed' }))).toBe(false)
  expect(isBlankAmong(rows, undefined, 1, flow)).toBe(false)
  expect(isBlankAmong({ typed: null }, gap, 1, flow)).toBe(false)
})
