import { describe, expect, it } from 'vitest'
import type { Method } from '../../lib/api/types'
import { entry, line, notebook, run } from '../../testing/notebook'
import {
  columnChoices,
  filledOf,
  fittingMethods,
  isAcross,
  likely,
  toldOf,
  usualTitle,
  valueChoices,
} from './lineInputs'

type Slot = Method['inputs'][number]

function slot(name: string, kind: Slot['kind'], change: Partial<Slot> = {}): Slot {
  return { name, kind, words: name, unit: '', unitOf: null, isRequired: true, default: null, choices: [], ...change }
}

function method(...inputs: Slot[]): Method {
  return { key: 'slope', name: 'Slope', sentence: '', source: '', isForLines: true, inputs, outcomes: [] }
}

const SLOPE = method(slot('x', 'column'), slot('y', 'column'), slot('at', 'number', { isRequired: false, unitOf: 'x' }))
const book = notebook({ entries: [entry('V0', { unit: 'mL', value: 25 })] })

describe('the inputs of a line', () => {
  it('are told as columns, symbols, numbers with the unit they go with, and texts', () => {
    const { told, missing } = toldOf(
      method(...SLOPE.inputs, slot('volume', 'number'), slot('formula', 'text')),
      { x: 'V', y: 'pH', at: '4,5', volume: 'V0', formula: ' 2 * c ' },
      book,
    )
    expect(told).toEqual({
      uses: { x: 'V', y: 'pH', volume: 'V0' },
      texts: { formula: '2 * c' },
      numbers: { at: { value: 4.5, uncertainty: 0, unit: 'mL' } },
    })
    expect(missing).toEqual([])
  })

  it('that are missing are named, and those that may be left out are not', () => {
    expect(toldOf(SLOPE, { x: 'V' }, book).missing).toEqual(['y'])
    expect(toldOf(method(slot('n', 'number')), { n: 'much' }, book).missing).toEqual(['n, as a number or a symbol'])
    expect(toldOf(method(slot('n', 'text', { default: 'x' })), {}, book).missing).toEqual([])
  })

  it('of a line that is changed keep their ± and unit where nobody touched them, and are emptied where somebody did', () => {
    const one = method(slot('at', 'number', { unit: 'mL' }), slot('unit', 'text', { isRequired: false }))
    const known = { value: 5, uncertainty: 0.2, unit: 'L' }
    const before = line(1, 'a', { numbers: { at: known }, texts: { unit: 'kPa' } })
    expect(filledOf(before)).toEqual({ at: '5', unit: 'kPa' })
    expect(toldOf(one, filledOf(before), book, before).told).toEqual({
      uses: {},
      numbers: { at: known },
      texts: { unit: 'kPa' },
    })
    expect(toldOf(one, { at: '6', unit: '' }, book, before).told).toEqual({
      uses: {},
      numbers: { at: { value: 6, uncertainty: 0, unit: 'mL' } },
      texts: { unit: '' },
    })
  })

  it('of two runs are a result and the numbers of the runs, the later less the earlier', () => {
    const two = method(slot('result', 'result'), slot('run', 'run'), slot('other', 'run'))
    expect(isAcross(two)).toBe(true)
    const results = [{ symbol: 'peak1.x0', title: 'Peak: centre' }]
    const runs = [run(1), { ...run(2), name: 'old trial 1' }]
    const asked = { result: 'peak1.x0', run: '2', other: '1' }
    expect(usualTitle(two, asked, results, runs)).toBe('Peak: centre, old trial 1 less run 1')
    expect(usualTitle(two, { ...asked, result: 'm' }, results, runs)).toBe('m, old trial 1 less run 1')
    const long = [{ symbol: 'peak1.x0', title: `Peak: centre ${'of the light '.repeat(4)}` }]
    expect(usualTitle(two, asked, long, runs)).toBe('peak1.x0, old trial 1 less run 1')
    expect(usualTitle(two, { ...asked, other: '' }, results, runs)).toBe(two.name)
    expect(usualTitle(two, { run: '2', other: '1' }, results, runs)).toBe(two.name)
    expect(usualTitle(SLOPE, { x: 'V', y: 'pH' }, results, runs)).toBe('Slope')
    expect(isAcross(SLOPE)).toBe(false)
    const three = notebook({
      runs: [run(4), run(5), run(7)],
      lines: [line(1, 'all', { isPerRun: false }), line(2, 'w')],
    })
    const filled = likely(two, three, null)
    expect(filled).toEqual({ result: 'w', run: '7', other: '5' })
    expect(toldOf(two, filled, three).told).toEqual({
      uses: { result: 'w' },
      texts: { run: '7', other: '5' },
      numbers: {},
    })
    expect(toldOf(two, { result: 'w' }, three).missing).toEqual(['run', 'other'])
    expect(fittingMethods([two], three)).toEqual([two])
    expect(fittingMethods([two], notebook({ runs: [run(4)], lines: [line(2, 'w')] }))).toEqual([])
    expect(
      fittingMethods([two], notebook({ runs: [run(4), run(5)], lines: [line(1, 'all', { isPerRun: false })] })),
    ).toEqual([])
  })

  it('may be an outcome of another line', () => {
    expect(toldOf(method(slot('n', 'number')), { n: 'Veq.pH' }, book).told.uses).toEqual({ n: 'Veq.pH' })
  })

  it('are likely what the figure draws, what has their unit, and the span that is marked', () => {
    expect(likely(SLOPE, book, null)).toEqual({ x: 'V', y: 'pH' })
    expect(likely(method(slot('v', 'column', { unit: 'mL' })), book, null)).toEqual({ v: 'V' })
    const range = method(slot('from', 'number'), slot('to', 'number'))
    expect(likely(range, book, { from: 1.23456789, to: 2 })).toEqual({ from: '1.23457', to: '2' })
  })

  it('are offered with their words', () => {
    expect(columnChoices(book, slot('x', 'column')).map(({ words }) => words)).toEqual([
      'V, Volume of NaOH added in mL',
      'pH',
      'Veq, Veq, of each run',
      'n, n, of each run',
    ])
    expect(columnChoices(book, slot('x', 'column', { unit: 'pH' }))[0]?.symbol).toBe('pH')
    expect(valueChoices(book).map(({ symbol }) => symbol)).toEqual(['V0', 'Veq', 'n'])
  })

  it('decide which methods fit', () => {
    const kelvin = method(slot('T', 'column', { unit: 'K' }))
    expect(fittingMethods([SLOPE, kelvin, { ...SLOPE, isForLines: false }], book)).toEqual([SLOPE])
    expect(fittingMethods([SLOPE], notebook({ columns: [] }))).toEqual([])
  })
})
