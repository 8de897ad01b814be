import { describe, expect, it } from 'vitest'
import { column, row } from '../../testing/notebook'
import type { FigureInput } from './drawn'
import { summaryOf } from './summary'

const T = column('T', { unit: '°C' })
const t = column('t', { unit: 'min', kind: 'typed' })
const run = (id: number, values: number[]) => ({
  id,
  number: id,
  name: `Run ${id}`,
  rows: values.map((value, i) => row(i + 1, null, { t: i, T: value })),
})
const input = (...runs: ReturnType<typeof run>[]): FigureInput => ({ x: t, panels: [[T]], runs })

describe('a figure in words', () => {
  it('tells from where to where a line goes, and what lies beyond its ends', () => {
    expect(summaryOf(input(run(1, [20, 62.34, 3, 5])), 'Figure 1.')).toBe(
      'T / °C against t / min. Figure 1. T begins at 20 and ends at 5 °C, least 3 at t 2, most 62.34 at t 1.',
    )
    expect(summaryOf(input(run(1, [-2, 1, 4])), 'Figure 1.')).toContain(' T begins at −2 and ends at 4 °C.')
  })

  it('names runs where there are several, and no more than can be listened to', () => {
    expect(summaryOf(input(run(1, [1, 2]), run(2, [2, 1])), 'F.')).toContain(
      'Run 1: T begins at 1 and ends at 2 °C; Run 2: T begins at 2 and ends at 1 °C.',
    )
    expect(summaryOf(input(...[1, 2, 3, 4, 5, 6, 7, 8].map((id) => run(id, [1, 2]))), 'F.')).toMatch(/; 2 more\.$/)
  })

  it('tells words along x, and nothing of what has no points', () => {
    const place = column('place', { kind: 'step', isWords: true })
    const rows = [row(1, 'cellar', { T: 11 }), row(2, 'kitchen', { T: 21 }), row(3, 'oven', { T: 15 })]
    const figure: FigureInput = { x: place, panels: [[T]], runs: [{ id: 1, number: 1, name: 'Run 1', rows }] }
    expect(summaryOf(figure, 'F.')).toBe(
      'T / °C against place. F. T begins at 11 and ends at 15 °C, most 21 at kitchen.',
    )
    expect(summaryOf(input(run(1, [])), 'F.')).toBe('T / °C against t / min. F.')
  })
})
