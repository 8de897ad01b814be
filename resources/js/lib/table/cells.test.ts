import { expect, it } from 'vitest'
import { column, row, VOLUME } from '../../testing/notebook'
import { isTypedIn, typedText, widthOf } from './cells'

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

it('has a usual width', () => {
  expect([widthOf({ width: null }), widthOf({ width: 200 })]).toEqual([96, 200])
})
