import { describe, expect, it } from 'vitest'
import { NOTHING, spanBetween, type Selection } from '../../lib/figure/selection'
import { TEST_INK, testWorking } from '../../testing/working'
import { reasonFigureOption } from './reasonFigureOption'

interface DrawnSeries {
  name: string
  data: unknown[]
  symbol?: string
  markLine?: { data: { xAxis: number }[] }
  markArea?: { data: [{ xAxis: number }, { xAxis: number }][] }
}

function drawn(selection: Selection = NOTHING, working = testWorking(), derivative: 1 | 2 = 1): DrawnSeries[] {
  const option = reasonFigureOption({ titrant: 'NaOH', working, selection, derivative }, TEST_INK)
  return option.series as unknown as DrawnSeries[]
}

function named(series: DrawnSeries[], name: string): DrawnSeries {
  const found = series.find((one) => one.name === name)
  if (found === undefined) throw new Error(`Nothing named "${name}" is drawn.`)
  return found
}

describe('reasonFigureOption', () => {
  it('draws a reading that is set aside apart from the line', () => {
    const series = drawn()
    expect(named(series, 'pH').data).toEqual([
      [0, 2.6],
      [5, 3.8],
      [10, 5.2],
    ])
    expect(named(series, 'set aside').data).toEqual([[11, 11.2]])
  })

  it('marks the equivalence in both panels and the pKa half way to it', () => {
    const series = drawn()
    for (const name of ['pH', 'derivative']) {
      expect(named(series, name).markLine?.data).toEqual([{ xAxis: 10.45 }])
    }
    expect(named(series, 'half-equivalence').data).toEqual([[5.225, 3.86]])
  })

  it('marks nothing while there is no result', () => {
    const series = drawn(NOTHING, testWorking({ lines: [] }))
    expect(named(series, 'pH').markLine?.data).toEqual([])
    expect(series.some(({ name }) => name === 'half-equivalence')).toBe(false)
  })

  it('shades the span being picked and the one the working uses', () => {
    const areas = named(drawn(spanBetween(8, 6), testWorking({ span: [9, 12] })), 'pH').markArea?.data ?? []
    expect(areas.map(([from, to]) => [from.xAxis, to.xAxis])).toEqual([
      [9, 12],
      [6, 8],
    ])
  })

  it('rings the picked reading, even one that is set aside', () => {
    expect(named(drawn({ kind: 'reading', id: 4 }), 'picked').data).toEqual([[11, 11.2]])
    expect(drawn({ kind: 'reading', id: 99 }).some(({ name }) => name === 'picked')).toBe(false)
  })

  it('shows the second derivative in place of the first', () => {
    expect(named(drawn(NOTHING, testWorking(), 2), 'derivative').data).toEqual([[5, 0.008]])
  })

  it('tells runs apart by marker shape as well as by colour', () => {
    const shapes = [1, 2, 3, 4].map((runNumber) => named(drawn(NOTHING, testWorking({ runNumber })), 'pH').symbol)
    expect(new Set(shapes).size).toBe(4)
  })
})
