import { describe, expect, it } from 'vitest'
import { measured } from '../../testing/examples'
import { column, line, notebook, run, worked } from '../../testing/notebook'
import { columnsOn, whatChanged } from './whatChanged'

const BOOK = notebook({ lines: [line(1, 'k', { shownTitle: 'Slope' }), line(2, 'm')], runs: [run(1), run(2)] })
const before = [
  worked('k', 1, { result: measured(-0.25, 0.1, 'kPa/mL') }),
  worked('k', 2),
  worked('m', null, { result: null }),
]

describe('what a change has changed', () => {
  it('tells results that are others, with what they were and of which run', () => {
    const now = [
      worked('k', 1, { result: measured(-0.31, 0.1, 'kPa/mL') }),
      worked('k', 2),
      worked('m', null, { result: measured(4, 0.1, 'g') }),
      worked('new', 1),
    ]

    expect(whatChanged(BOOK, before, now)).toEqual([
      { title: 'Slope, Run 1', before: '−0.25 kPa/mL', now: '−0.31 kPa/mL' },
      { title: 'm', before: '–', now: '4.00 g' },
    ])
  })

  it('names no run where there is one', () => {
    const now = [worked('k', 1, { result: null })]

    expect(whatChanged({ ...BOOK, runs: [run(1)] }, before, now)).toEqual([
      { title: 'Slope', before: '−0.25 kPa/mL', now: '–' },
    ])
  })

  it('says nothing where what is shown stays', () => {
    expect(whatChanged(BOOK, before, [worked('k', 1, { result: measured(-0.251, 0.1, 'kPa/mL') })])).toEqual([])
  })
})

describe('columns that rest on others', () => {
  const columns = [
    column('ln_p', { formula: 'ln(p/kPa) + q' }),
    column('q', { formula: '2*p' }),
    column('p'),
    column('r', { formula: 'pp + 1' }),
    column('w', { formula: 'ln_p^2' }),
  ]

  it('are found straight and by others, whatever their order', () => {
    expect(columnsOn(columns, ['p'])).toEqual(['ln_p', 'q', 'w'])
    expect(columnsOn(columns, ['ln_p'])).toEqual(['w'])
  })

  it('are none for one that nothing uses', () => {
    expect(columnsOn(columns, ['w'])).toEqual([])
  })
})
