import type { EChartsOption } from 'echarts'
import { describe, expect, it } from 'vitest'
import { BATH, column, mark, PH, row, ROWS, TEST_INK, VOLUME } from '../../testing/notebook'
import { pickPoints, pointCount, type FigureInput } from './drawn'
import { notebookFigure } from './notebookFigure'

const D = column('dpH', { kind: 'derived', unit: 'pH/mL' })

function input(change: Partial<FigureInput> = {}): FigureInput {
  return { x: VOLUME, panels: [[PH]], runs: [{ id: 7, number: 1, name: 'Run 1', rows: ROWS }], ...change }
}

interface Drawn {
  name?: string
  type: string
  data: unknown[]
  xAxisIndex?: number
  lineStyle?: { type?: string; color?: string }
  symbol?: string
  endLabel?: { show: boolean; formatter: string }
  markLine?: { data: { xAxis?: number; yAxis?: number; label: { show?: boolean; formatter?: string } }[] }
  markArea?: { data: [{ xAxis: number }, { xAxis: number }][] }
}

function drawn(change: Partial<FigureInput> = {}) {
  const option = notebookFigure(input(change), TEST_INK) as EChartsOption & {
    grid: { left: number; right: number }[]
    xAxis: {
      name: string
      min: number
      max: number
      axisLabel: { show?: boolean; formatter?: (v: number) => string }
    }[]
    yAxis: { name: string; min: number; max: number }[]
    series: Drawn[]
  }
  const named = (name: string) => option.series.filter((one) => one.name === name)
  return { option, named }
}

describe('a figure of a notebook', () => {
  it('draws the readings that count as a line, and those set aside struck through, with their name', () => {
    const { named } = drawn()
    expect(named('Run 1')[0]?.data).toEqual([
      [0, 2.6],
      [5, 3.8],
      [10, 5.2],
    ])
    expect(named('set aside')[0]?.data).toEqual([[11, 11.2]])
  })

  it('has up to three panels over one x that begin at the same place, and names x once', () => {
    const { option } = drawn({ panels: [[PH], [D], [column('T')]] })
    expect(new Set(option.grid.map(({ left, right }) => `${left} ${right}`)).size).toBe(1)
    expect(option.xAxis.map(({ name }) => name)).toEqual(['', '', 'volume of NaOH added V / mL'])
    expect(new Set(option.xAxis.map(({ min, max }) => `${min} ${max}`)).size).toBe(1)
  })

  it('names runs and columns at their ends only where there are several', () => {
    expect(drawn().named('Run 1')[0]?.endLabel?.show).toBe(false)
    const runs = [1, 2].map((number) => ({ id: number, number, name: `Run ${number}`, rows: ROWS }))
    const { named } = drawn({ runs })
    expect(named('Run 2')[0]?.endLabel?.formatter).toBe('Run 2')
    expect(named('Run 1')[0]?.symbol).not.toBe(named('Run 2')[0]?.symbol)
    expect(named('Run 1')[0]?.lineStyle?.color).not.toBe(named('Run 2')[0]?.lineStyle?.color)
    const both = drawn({ panels: [[PH, D]] }).named('Run 1')
    expect(both.map(({ endLabel }) => endLabel?.formatter)).toEqual(['pH', 'dpH'])
    expect(both[1]?.lineStyle?.type).toBe('dashed')
  })

  it('draws a faint run without its struck readings, and never picks them', () => {
    const faint = { id: 6, number: 1, name: 'Run 1', rows: ROWS, isFaint: true }
    const { named } = drawn({ runs: [faint] })
    expect(named('set aside')[0]?.data).toEqual([])
    expect(pickPoints(input({ runs: [faint] }))).toEqual([])
  })

  it('knows marks by their columns alone: rules through all panels with words in the first, the rest at its own', () => {
    const marks = [
      { ...mark('vertical'), text: '① 10.45 mL' },
      { ...mark('point', { x: [5], y: [3.86] }), text: '② pKa' },
      { ...mark('horizontal', { y: [7] }), text: '③' },
      { ...mark('curve', { x: [0, 1], y: [2, 3] }), text: 'tangent' },
      { ...mark('band', { x: [0, 1], y: [2, 3], low: [1, 2] }), text: 'band' },
      { ...mark('vertical', { xSymbol: 'T' }), text: 'elsewhere' },
    ]
    const { named } = drawn({ panels: [[PH], [D]], marks })
    const [upper, lower] = named('rules').map(({ markLine }) => markLine?.data ?? [])
    expect(upper?.map(({ xAxis, yAxis }) => [xAxis, yAxis])).toEqual([
      [10.45, undefined],
      [undefined, 7],
    ])
    expect(upper?.[0]?.label.formatter).toBe('① 10.45 mL')
    expect(lower?.map(({ label }) => label.show)).toEqual([false])
    expect(named('② pKa')[0]?.data).toEqual([[5, 3.86]])
    expect(named('tangent')).toHaveLength(1)
    expect(named('band').map(({ data }) => data)).toEqual([
      [
        [0, 2],
        [1, 3],
      ],
      [
        [0, 1],
        [1, 2],
      ],
    ])
    expect(named('elsewhere')).toHaveLength(0)
  })

  it('shades spans of lines and the one that is picked', () => {
    const { named } = drawn({ spans: [[2, 4]], selection: { kind: 'span', from: 5, to: 8, anchor: 5, head: 8 } })
    expect(named('rules')[0]?.markArea?.data.map(([a, b]) => [a.xAxis, b.xAxis])).toEqual([
      [2, 4],
      [5, 8],
    ])
  })

  it('rings the row that is picked, and nothing for one that is not there', () => {
    expect(drawn({ selection: { kind: 'row', id: 2 } }).named('picked')[0]?.data).toEqual([[5, 3.8]])
    expect(drawn({ selection: { kind: 'row', id: 99 } }).named('picked')).toHaveLength(0)
  })

  it('tells words along x in the order they came', () => {
    const rows = [row(1, 'cold bath', { V: 40 }), row(2, 'room', { V: 43 }), row(3, 'cold bath', { V: 41 })]
    const V = column('V', { unit: 'mL' })
    const { option, named } = drawn({ x: BATH, panels: [[V]], runs: [{ id: 1, number: 1, name: 'Run 1', rows }] })
    expect(named('Run 1')[0]?.data).toEqual([
      [0, 40],
      [0, 41],
      [1, 43],
    ])
    expect(option.xAxis[0]?.axisLabel.formatter?.(1)).toBe('room')
    expect([option.xAxis[0]?.min, option.xAxis[0]?.max]).toEqual([-0.5, 1.5])
  })

  it('shows where the next reading will be, and at least as much of x as is planned', () => {
    const { option, named } = drawn({ next: 12, leastX: { min: 0, max: 20 } })
    expect(named('next')[0]?.markLine?.data).toEqual([{ xAxis: 12 }])
    expect(option.xAxis[0]?.max).toBe(20)
  })

  it('leaves out blanks, sorts by x, and counts its points', () => {
    const rows = [row(1, 5, { pH: 4 }), row(2, 1, { pH: 3 }), row(3, 2)]
    expect(pickPoints(input({ runs: [{ id: 1, number: 1, name: '', rows }] })).map(({ id }) => id)).toEqual([2, 1])
    expect(pointCount(input({ panels: [[PH], [D]] }))).toBe(8)
  })

  it('draws 200,000 points without running out of arguments', () => {
    const rows = Array.from({ length: 200_000 }, (_, i) => row(i, i / 100, { pH: 7 + (i % 5) }))
    const { option } = drawn({ runs: [{ id: 1, number: 1, name: 'Run 1', rows }] })
    expect(option.xAxis[0]?.max).toBe(2000)
  })
})
