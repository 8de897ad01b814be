import { describe, expect, it } from 'vitest'
import type { TablePreview } from '../api/types'
import { column } from '../../testing/notebook'
import { guessed, intoWords, isPlainBlock, symbolFor } from './taking'

function preview(names: string[], change: Partial<TablePreview> = {}): TablePreview {
  return {
    id: 1,
    name: 'class.csv',
    bytes: 10,
    hints: { separator: 'tab', mark: 'point', hasHeader: true },
    rowCount: 2,
    columns: names.map((name, place) => ({
      place,
      name,
      symbol: name.replace(/\W/g, '_'),
      unit: place === 0 ? 's' : '',
      kind: 'number',
      count: 2,
      blank: 0,
      unreadable: 0,
      first: null,
      last: null,
    })),
    rows: [],
    unreadable: [],
    unreadableCount: 0,
    blankCount: 0,
    notes: [],
    trials: [],
    ...change,
  }
}

it('takes columns of words as words', () => {
  const { columns } = preview(['Place', 'T'])
  const words = columns.map((one) => ({ ...one, kind: one.place === 0 ? ('text' as const) : ('number' as const) }))
  expect(guessed(preview([], { columns: words }), [], false).map(({ isWords }) => isWords)).toEqual([true, false])
})

describe('where columns of a file go', () => {
  it('into those of the same name or symbol, and new ones for the others', () => {
    const t = column('t', { id: 1, kind: 'typed', shownName: 'Time', name: 'Time', unit: 's' })
    const pH = column('pH', { id: 2, kind: 'measured' })
    const wanted = guessed(preview(['TIME', 'pH', 'Milk']), [t, pH], false)
    expect(wanted.map(({ columnId, symbol, name }) => [columnId, symbol, name])).toEqual([
      [1, 't', 'Time'],
      [2, 'pH', pH.name],
      [null, 'Milk', 'Milk'],
    ])
  })

  it('into columns that wait for numbers in an empty run, which get their names', () => {
    const waiting = [column('x', { id: 1, kind: 'typed' }), column('y', { id: 2, kind: 'typed' })]
    expect(
      guessed(preview(['Time', 'Milk', 'Air']), waiting, true).map((one) => [one.columnId, one.symbol, one.name]),
    ).toEqual([
      [1, 't', 'Time'],
      [2, 'Milk', 'Milk'],
      [null, 'Air', 'Air'],
    ])
    expect(guessed(preview(['Time']), waiting, false)[0]?.columnId).toBeNull()
    const filled = [column('x', { id: 1, kind: 'typed', unit: 'mL' })]
    expect(guessed(preview(['Time']), filled, true)[0]?.columnId).toBeNull()
  })

  it('never into what is worked out, and never two into one', () => {
    const derived = column('V', { id: 1, kind: 'derived', formula: 'q*t' })
    expect(guessed(preview(['V', 'V']), [derived], true).map(({ columnId, symbol }) => [columnId, symbol])).toEqual([
      [null, 'V_2'],
      [null, 'V_3'],
    ])
  })

  it('takes the first of the trials for all of them', () => {
    const wide = preview(['Time', 'trial 1', 'trial 2'], {
      trials: [
        { condition: '', trial: 1, place: 1 },
        { condition: '', trial: 2, place: 2 },
      ],
    })
    expect(guessed(wide, [], false).map(({ isTaken, symbol }) => [isTaken, symbol])).toEqual([
      [true, 't'],
      [true, 'y'],
      [false, 'y_2'],
    ])
  })
})

it('makes a symbol of a name, the usual one where there is one', () => {
  expect(symbolFor('Temperature', 'Temperature', [])).toBe('T')
  expect(symbolFor('Temperature', 'Temperature', ['T'])).toBe('T_2')
  expect(symbolFor('Milch °C', 'Milch__C', [])).toBe('Milch__C')
  expect(symbolFor('1. Spalte', '1_Spalte', ['x'])).toBe('x_2')
})

it('knows plain cells from a table that is looked at first', () => {
  for (const plain of [
    '7',
    '1\t2',
    '1\t2\n3\t4',
    '1,5\t2\n3,5\t4',
    'cellar\noven',
    '1,5\n2,5',
    'a\tb\nc\td',
    // A remark that has one mark by chance is no table.
    'stirred; warm\nstirred, cold\nstill; warm\ncalm\ncold',
    '1\n2\n3',
  ])
    expect(isPlainBlock(plain), plain).toBe(true)
  for (const table of [
    'Title\nTime;T\n0;60,5\n1;59,1\nEnd',
    'T\n60\n59',
    'Time\tT\n0\t60',
    'Time;T\n0;60',
    '0;60\n1;59',
    'Time,T\n0,60',
    '0|1\n2|3',
  ])
    expect(isPlainBlock(table), table).toBe(false)
})

it('says where rows go', () => {
  expect([intoWords(null, 0), intoWords({ name: 'Run 2' }, 0), intoWords(null, 3)]).toEqual([
    'a new run',
    'Run 2',
    '3 runs, one for each trial',
  ])
})
