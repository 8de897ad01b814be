import { describe, expect, it } from 'vitest'
import type { Measured, SpanNumbers } from '../api/types'
import { spanRows } from './spanRows'

const measured = (shownValue: string, shownUncertainty = '', unit = 'kPa'): Measured => ({
  value: Number(shownValue),
  uncertainty: Number(shownUncertainty),
  unit,
  shownValue,
  shownUncertainty,
})

function line(method: string, numbers: Record<string, Measured>, texts: Record<string, string> = {}) {
  return {
    method,
    texts,
    numbers: Object.entries(numbers).map(([name, of]) => ({ name, words: name, measured: of })),
    problem: null as string | null,
  }
}

const told = (lines: SpanNumbers['lines']): SpanNumbers => ({ x: 't', y: 'p', from: 1, to: 4, lines })

describe('what a span tells', () => {
  it('puts each number with its ± and unit beside the word that keeps it', () => {
    const rows = spanRows(
      told([
        line('statistics', {
          mean: measured('6.0', '1.3'),
          n: measured('4', '', ''),
          sd: measured('2.6', '1.1'),
          median: measured('6.0', '1.6'),
          min: measured('3'),
          max: measured('9'),
        }),
        line('ends', {
          change: measured('-4'),
          start: measured('7'),
          end: measured('3'),
          over: measured('3', '', 's'),
        }),
        line('area', { area: measured('19', '', 'kPa s') }, { baseline: 'zero' }),
        line('area', { area: measured('10', '', 'kPa s') }, { baseline: 'first' }),
      ]),
    )
    expect(rows.map(({ word, value, beside }) => [word, value, beside.join(' · ')])).toEqual([
      ['mean', '6.0 ± 1.3 kPa', 'n 4 · sd 2.6 ± 1.1 · median 6.0 ± 1.6 · least 3 · most 9'],
      ['change', '−4 kPa', 'from 7 · to 3 · over 3 s'],
      ['area', '19 kPa s', ''],
      ['area above start', '10 kPa s', ''],
    ])
    expect(rows.map(({ keep }) => keep)).toEqual([
      { method: 'statistics', title: 'Mean of p', texts: {} },
      { method: 'ends', title: 'Change of p', texts: {} },
      { method: 'area', title: 'Area under p', texts: { baseline: 'zero' } },
      { method: 'area', title: 'Area above the start of p', texts: { baseline: 'first' } },
    ])
  })

  it('says why where there is no number', () => {
    const [row] = spanRows(told([{ ...line('slope', {}), problem: 'A straight line needs 2 points, there is 1.' }]))
    expect(row).toMatchObject({ value: '', beside: [], problem: 'A straight line needs 2 points, there is 1.' })
    expect(spanRows(told([line('slope', {})]))[0]?.problem).toBe('There is nothing to tell.')
  })
})
