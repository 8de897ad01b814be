import { describe, expect, it } from 'vitest'
import { blockOf, cellsOf, isWithin, ledBy, nextOf, pickAt, squared, textOf } from './grid'

const size = { rows: 9, columns: 3 }

describe('where keys lead', () => {
  it.each([
    ['ArrowUp', 3, 1],
    ['ArrowDown', 5, 1],
    ['ArrowLeft', 4, 0],
    ['ArrowRight', 4, 2],
    ['Home', 4, 0],
    ['End', 4, 2],
    ['PageUp', 0, 1],
    ['PageDown', 7, 1],
  ])('%s', (key, row, column) => {
    expect(ledBy(pickAt(4, 1), key, size, { page: 6 })).toEqual(pickAt(row, column))
  })

  it.each([
    ['ArrowUp', 0, 1],
    ['ArrowDown', 7, 1],
    ['ArrowLeft', 4, 0],
    ['ArrowRight', 4, 2],
    ['Home', 0, 0],
    ['End', 7, 2],
  ])('with Control %s goes to the end of what is filled', (key, row, column) => {
    expect(ledBy(pickAt(4, 1), key, size, { control: true })).toEqual(pickAt(row, column))
  })

  it('stops at the edges, the blank row among them', () => {
    expect(ledBy(pickAt(0, 0), 'ArrowUp', size)).toEqual(pickAt(0, 0))
    expect(ledBy(pickAt(8, 2), 'ArrowDown', size)).toEqual(pickAt(8, 2))
    expect(ledBy(pickAt(8, 2), 'PageDown', size)).toEqual(pickAt(8, 2))
    expect(ledBy(pickAt(0, 0), 'ArrowDown', { rows: 1, columns: 2 }, { control: true })).toEqual(pickAt(0, 0))
    expect(ledBy(pickAt(0, 0), 'q', size)).toBeNull()
  })

  it('grows the choice with Shift, from where it began', () => {
    const grown = ledBy(pickAt(4, 1), 'ArrowDown', size, { shift: true })
    expect(grown).toEqual({ at: { row: 5, column: 1 }, from: { row: 4, column: 1 } })
    const block = blockOf(ledBy(grown ?? pickAt(0, 0), 'ArrowLeft', size, { shift: true }) ?? pickAt(0, 0))
    expect(block).toEqual({ top: 4, bottom: 5, left: 0, right: 1 })
    expect([
      isWithin(block, 4, 0),
      isWithin(block, 5, 1),
      isWithin(block, 3, 1),
      isWithin(block, 6, 1),
      isWithin(block, 4, 2),
    ]).toEqual([true, true, false, false, false])
  })

  it('goes on below with Enter and beside with Tab, into the next row at the end of one', () => {
    expect(nextOf(pickAt(4, 1), 'Enter', size, false)).toEqual(pickAt(5, 1))
    expect(nextOf(pickAt(4, 1), 'Enter', size, true)).toEqual(pickAt(3, 1))
    expect(nextOf(pickAt(4, 2), 'Tab', size, false)).toEqual(pickAt(5, 0))
    expect(nextOf(pickAt(4, 0), 'Tab', size, true)).toEqual(pickAt(3, 2))
    expect(nextOf(pickAt(8, 2), 'Tab', size, false)).toBeNull()
    expect(nextOf(pickAt(0, 0), 'Tab', size, true)).toBeNull()
    expect(nextOf(pickAt(8, 2), 'Enter', size, false)).toBeNull()
    expect(nextOf(pickAt(0, 2), 'Enter', size, true)).toBeNull()
  })
})

describe('the clipboard', () => {
  it('has cells parted by tabs and lines, however lines end', () => {
    expect(cellsOf('10.2\t9.81\r\n12,0\t8.39\r\n')).toEqual([
      ['10.2', '9.81'],
      ['12,0', '8.39'],
    ])
    expect(cellsOf('7')).toEqual([['7']])
    expect(cellsOf('1\n\n3')).toEqual([['1'], [''], ['3']])
    expect(cellsOf('1\t\n')).toEqual([['1', '']])
    expect(cellsOf('')).toEqual([['']])
  })

  it('knows quoted cells', () => {
    expect(cellsOf('"two\nlines"\t"a ""word"""\n5" nail')).toEqual([['two\nlines', 'a "word"'], ['5" nail']])
  })

  it('gives back what it was given', () => {
    const cells = [
      ['1.5', 'two\nlines'],
      ['a "word"', 'tab\there'],
    ]
    expect(cellsOf(textOf(cells))).toEqual(cells)
    expect(textOf([['1', '2'], ['3']])).toBe('1\t2\n3')
  })

  it('is made square, and no wider than there are columns', () => {
    expect(squared([['1'], ['2', '3', '4']], 2)).toEqual([
      ['1', ''],
      ['2', '3'],
    ])
    expect(squared([], 2)).toEqual([])
  })
})
