import { describe, expect, it } from 'vitest'
import { column, row } from '../../testing/notebook'
import { dataTables } from './dataTable'

const [t, T, P] = [column('t', { unit: 's', decimals: null }), column('T', { unit: '°C', decimals: 1 }), column('P')]

describe('a figure as numbers', () => {
  it('is a table for each run, with what is set aside and what has no number', () => {
    const rows = [row(1, null, { t: 0, T: -1.25 }), row(2, null, { t: 0.1234567, T: 4 }, { setAside: 'bumped' })]
    const input = { x: t, panels: [[T], [P]], runs: [{ id: 1, number: 1, name: 'Run 1', rows }] }
    const [told] = dataTables(input)
    expect(told).toMatchObject({ run: 'Run 1', heads: ['t / s', 'T / °C', 'P'], count: 2 })
    expect(told?.rows.map(({ cells, setAside }) => [...cells, setAside])).toEqual([
      ['0.000000', '−1.3', '', null],
      ['0.123457', '4.0', '', 'bumped'],
    ])
  })

  it('has numbers of as many decimals as the longest of a column, and tells trials that look alike apart', () => {
    const told = (...values: number[]) => {
      const rows = values.map((value, i) => row(i, null, { t: i, P: value }))
      const run = { id: 1, number: 1, name: 'full', title: 'full trial 1', rows }
      return dataTables({ x: t, panels: [[{ ...P, decimals: null }]], runs: [run] })[0]
    }
    expect(told(0, 0.44, -0.682)?.rows.map(({ cells }) => cells)).toEqual([
      ['0', '0.000'],
      ['1', '0.440'],
      ['2', '−0.682'],
    ])
    expect(told(1e-9, 0.5)?.rows.map(({ cells }) => cells[1])).toEqual(['1e−9', '0.5'])
    expect(told(1)?.run).toBe('full trial 1')
  })

  it('tells of many rows some, evenly, from the first on', () => {
    const rows = Array.from({ length: 1001 }, (_, i) => row(i, null, { t: i, T: i }))
    const [told] = dataTables({ x: t, panels: [[T]], runs: [{ id: 1, number: 1, name: 'Run 1', rows }] })
    expect(told?.count).toBe(1001)
    expect(told?.rows.length).toBeLessThanOrEqual(201)
    expect(told?.rows.length).toBeGreaterThan(190)
    expect(told?.rows[0]?.cells[0]).toBe('0')
    const places = told?.rows.map(({ key }) => key) ?? []
    expect(Math.max(...places.slice(1).map((at, i) => at - (places[i] ?? 0)))).toBeLessThanOrEqual(6)
  })

  it('tells words of a step, and a column of a second axis', () => {
    const step = column('place', { kind: 'step' })
    const wish = { scale: 'linear' as const, from: null, to: null }
    const [told] = dataTables({
      x: step,
      panels: [[T]],
      drawing: { axis: wish, panels: [{ axis: wish, right: [P], rightAxis: wish }], points: null, hasBars: false },
      runs: [{ id: 1, number: 1, name: 'Run 1', rows: [row(1, 'cellar', { T: 11, P: 2 })] }],
    })
    expect(told?.heads).toEqual(['place', 'T / °C', 'P'])
    expect(told?.rows[0]?.cells.slice(0, 2)).toEqual(['cellar', '11.0'])
  })
})
