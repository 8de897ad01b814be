import type { EChartsOption } from 'echarts'
import { describe, expect, it } from 'vitest'
import { BATH, column, mark, PH, row, ROWS, TEST_INK, VOLUME } from '../../testing/notebook'
import {
  axisIndexOf,
  beyondAxes,
  pickPoints,
  pointCount,
  type AxisWish,
  type DrawingWish,
  type FigureInput,
  type PanelWish,
  type Point,
} from './drawn'
import { keyRows, USUAL_ROOM, type Room } from './key'
import { nextSeries } from './markSeries'
import { notebookFigure } from './notebookFigure'

const D = column('dpH', { kind: 'derived', unit: 'pH/mL' })

function input(change: Partial<FigureInput> = {}): FigureInput {
  return { x: VOLUME, panels: [[PH]], runs: [{ id: 7, number: 1, name: 'Run 1', rows: ROWS }], ...change }
}

interface Drawn {
  endLabel?: { offset: number[] }
  name?: string
  type: string
  data: unknown[]
  xAxisIndex?: number
  lineStyle?: { type?: string; color?: string }
  itemStyle?: { borderColor?: string }
  symbol?: string
  markLine?: { data: { xAxis?: number; yAxis?: number; label: { show?: boolean; formatter?: string } }[] }
  markArea?: { data: [{ xAxis: number }, { xAxis: number }][] }
}

function drawn(change: Partial<FigureInput> = {}, room: Room = USUAL_ROOM) {
  const option = notebookFigure(input(change), TEST_INK, room) as EChartsOption & {
    grid: { left: number; right: number; top: number | string }[]
    legend: { show: boolean; data: string[] }
    xAxis: {
      name: string
      min: number
      max: number
      axisLabel: { show?: boolean; formatter?: (v: number) => string }
      minorTick: { splitNumber: number }
    }[]
    yAxis: {
      name: string
      min: number
      max: number
      minorTick: { splitNumber: number }
      nameTextStyle: { rich?: Record<string, { color: string }> }
    }[]
    series: Drawn[]
  }
  const named = (name: string) => option.series.filter((one) => one.name === name)
  return { option, named }
}

const axis = (change: Partial<AxisWish> = {}): AxisWish => ({ scale: 'linear', from: null, to: null, ...change })
const drawing = (change: Partial<DrawingWish> = {}, panel: Partial<PanelWish> = {}): DrawingWish => ({
  axis: axis(),
  panels: [{ axis: axis(), right: [], rightAxis: axis(), ...panel }],
  points: null,
  hasBars: false,
  ...change,
})

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

  it('shows a gap in what was recorded against time as a gap, and what rests as a calm line', () => {
    const t = column('t', { kind: 'time', unit: 's' })
    const T = column('T', { kind: 'measured' })
    const at = [...Array.from({ length: 40 }, (_, i) => i), 60, 61]
    const rows = at.map((time, i) => row(i, null, { t: time, T: i % 2 === 0 ? 21.4 : 21.5 }))
    const runs = [{ id: 7, number: 1, name: 'Run 1', rows }]
    const { option, named } = drawn({ x: t, panels: [[T]], runs })
    expect(named('Run 1')[0]?.data.slice(38, 42)).toEqual([[38, 21.4], [39, 21.5], [39, NaN], [60, 21.4]]) // prettier-ignore
    expect((option.yAxis[0]?.max ?? 0) - (option.yAxis[0]?.min ?? 0)).toBeGreaterThanOrEqual(1)
    const typed = drawn({ x: column('t', { kind: 'typed' }), panels: [[T]], runs })
    expect(typed.named('Run 1')[0]?.data).toHaveLength(42)
    expect((typed.option.yAxis[0]?.max ?? 0) - (typed.option.yAxis[0]?.min ?? 0)).toBeLessThan(0.2)
  })

  it('has up to three panels over one x that begin at the same place, and names x once', () => {
    const { option } = drawn({ panels: [[PH], [D], [column('T')]] })
    expect(new Set(option.grid.map(({ left, right }) => `${left} ${right}`)).size).toBe(1)
    expect(option.xAxis.map(({ name }) => name)).toEqual(['', '', 'volume of NaOH added V / mL'])
    expect(new Set(option.xAxis.map(({ min, max }) => `${min} ${max}`)).size).toBe(1)
  })

  it('stacks its panels without one over the other, the first the highest', () => {
    for (const panels of [
      [[PH], [D]],
      [[PH], [D], [column('T')]],
    ]) {
      const { option } = drawn({ panels })
      const grids = option.grid as unknown as { top: number | string; height?: string }[]
      const top = grids.map((grid) => (typeof grid.top === 'number' ? 0 : parseFloat(grid.top)))
      const height = grids.map((grid) => (grid.height === undefined ? 0 : parseFloat(grid.height)))
      for (let i = 1; i < grids.length; i++) {
        expect((top[i] ?? 0) - (top[i - 1] ?? 0) - (height[i - 1] ?? 0)).toBeGreaterThan(2)
        expect((top[i] ?? 0) - (top[i - 1] ?? 0) - (height[i - 1] ?? 0)).toBeLessThan(10)
        expect(height[0] ?? 0).toBeGreaterThan(height[i] ?? 0)
      }
      expect(top.at(-1) ?? 0).toBeLessThan(80)
    }
  })

  it('leaves out rows that have no value in one of the two', () => {
    const [FIRST] = ROWS
    if (FIRST === undefined) throw new Error('There are no rows.')
    const rows = [...ROWS, { ...FIRST, id: 9, step: 7, cells: { pH: null } }, { ...FIRST, id: 10, step: null }]
    const { named } = drawn({ runs: [{ id: 7, number: 1, name: 'Run 1', rows }] })
    expect(named('Run 1')[0]?.data).toHaveLength(3)
  })

  it('names runs and columns in a key above them only where there are several', () => {
    const alone = drawn().option
    expect(alone.legend).toMatchObject({ show: false, data: [] })
    const runs = [1, 2].map((number) => ({ id: number, number, name: `Run ${number}`, rows: ROWS }))
    const { named, option } = drawn({ runs })
    expect(option.legend).toMatchObject({ show: true, data: ['Run 1', 'Run 2'] })
    expect(option.grid[0]?.top).toBe(Number(alone.grid[0]?.top) + 30)
    expect(named('Run 1')[0]?.symbol).not.toBe(named('Run 2')[0]?.symbol)
    expect(named('Run 1')[0]?.lineStyle?.color).not.toBe(named('Run 2')[0]?.lineStyle?.color)
    const both = drawn({ panels: [[PH, D]] })
    expect(both.option.legend.data).toEqual(['pH', 'dpH'])
    expect(both.named('dpH')[0]?.lineStyle?.type).toBe('dashed')
    // The panels below move by what the key takes, and take as much less.
    const low = drawn({ runs, panels: [[PH], [D]] }).option
    expect(low.legend.data).toEqual(['Run 1', 'Run 2'])
    const top = (panels: typeof low) => Number.parseFloat(String(panels.grid[1]?.top))
    const part = (100 * 30) / USUAL_ROOM.height
    expect(top(low)).toBeCloseTo(part + (top(drawn({ panels: [[PH], [D]] }).option) * (100 - part)) / 100, 9)
  })

  it('puts names into as many rows as they need', () => {
    const names = ['lid on trial 1', 'lid on trial 2', 'open can trial 1']
    expect([0, 1, 2, 3].map((count) => keyRows(names.slice(0, count), TEST_INK, 330))).toEqual([0, 1, 1, 2])
    expect(keyRows(names, TEST_INK, 760)).toBe(1)
    expect(keyRows(names, { ...TEST_INK, scale: 2 }, 330), 'On a projector they are larger.').toBe(3)
    expect(keyRows(names, TEST_INK, 10), 'One too long for a row has it alone.').toBe(3)
  })

  it('draws a faint run without its struck readings, and never picks them', () => {
    const faint = { id: 6, number: 1, name: 'Run 1', rows: ROWS, isFaint: true }
    const { named } = drawn({ runs: [faint] })
    expect(named('set aside')).toEqual([])
    expect(pickPoints(input({ runs: [faint] }))).toEqual([])
  })

  it('writes the name of a curve where the curve does not run, clear of other names', () => {
    const curve = (text: string, y: number[], x = y.map((_, i) => i)) => ({ ...mark('curve', { x, y }), text })
    const high = drawing({}, { axis: axis({ from: 0, to: 20 }) })
    const toldOf = (marks: ReturnType<typeof curve>[], which: 0 | 1, width = USUAL_ROOM.width, wish = high) => {
      const { named } = drawn({ marks, drawing: wish }, { ...USUAL_ROOM, width })
      return marks.map(({ text }) => named(text)[0]?.endLabel?.offset[which])
    }
    const offsets = (...marks: ReturnType<typeof curve>[]) => toldOf(marks, 1)
    const places = (...marks: ReturnType<typeof curve>[]) => toldOf(marks, 0)
    const ten = Array.from({ length: 11 }, (_, i) => i)
    expect(offsets(curve('rises', ten)), 'Above its end; below runs the line.').toEqual([-16])
    expect(offsets(curve('falls', [...ten].reverse()))).toEqual([16])
    expect(
      offsets(
        curve(
          'levels off',
          ten.map((at) => Math.exp(-at)),
        ),
      ),
      'Below is the axis.',
    ).toEqual([-16])
    const gently = ten.map((at) => 100 / (at + 10))
    expect(offsets(curve('falls gently', gently)), 'As high as the curve is where the name begins.').toEqual([-42])
    expect(offsets(curve('level', [3, 3, 3]))).toEqual([-16])
    expect(offsets(curve('two ends', [5, 1]), curve('two ends, up', [1, 5]))).toEqual([16, -16])
    const three = [curve('one', ten), curve('another', ten), curve('elsewhere', [0, 5])]
    expect(offsets(...three), 'One beside the other.').toEqual([-16, -16, -16])
    expect(places(...three)).toEqual([-8, -8 - 3 * 8.5 - 12, -8])
    expect(toldOf(three, 1, 190), 'In a further row where both do not fit.').toEqual([-16, -36, -16])
    expect(toldOf(three, 0, 190)).toEqual([-8, -8, -8])
    expect(places(curve('', ten), curve('alone', ten)), 'What has no name needs no room.').toEqual([-8, -8])
    const low = drawing({}, { axis: axis({ from: 0, to: 10 }) })
    expect(toldOf([curve('one', ten), curve('another', ten)], 1, 95, low), 'Rows go down from the top.').toEqual([
      -6, 14,
    ])
    const upTo = (to: number, scale: 'linear' | 'log' = 'linear') =>
      ([0, 1] as const).map(
        (which) =>
          toldOf([curve('rises', ten.slice(1))], which, 760, drawing({}, { axis: axis({ from: 1, to, scale }) }))[0],
      )
    expect(
      [10, 10.3, 9, 12].map((to) => upTo(to)),
      'At the top of the panel there is little room above it.',
    ).toEqual([
      [-14, -6],
      [-14, -14],
      [-14, -6],
      [-8, -16],
    ])
    expect([upTo(10, 'log'), upTo(10.5, 'log')]).toEqual([
      [-14, -6],
      [-14, -11],
    ])
  })

  it('draws a mark of another run in the colour of that run', () => {
    const of = (kind: 'curve' | 'point', runNumber?: number) => ({
      ...mark(kind, { x: [5, 6], y: [3, 4] }),
      text: `${kind} ${runNumber ?? 'in hand'}`,
      ...(runNumber === undefined ? {} : { runNumber }),
    })
    const { named } = drawn({ marks: [of('curve'), of('curve', 2), of('point'), of('point', 2)] })
    const colours = ['curve in hand', 'curve 2'].map((name) => named(name)[0]?.lineStyle?.color)
    const borders = ['point in hand', 'point 2'].map((name) => named(name)[0]?.itemStyle?.borderColor)
    expect(colours).toEqual(borders)
    expect(colours[0]).toBe(TEST_INK.primary)
    expect(colours[1]).not.toBe(TEST_INK.primary)
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
    const { named } = drawn({
      spans: [[2, 4, 'start']],
      selection: { kind: 'span', from: 5, to: 8, anchor: 5, head: 8 },
    })
    expect(named('rules')[0]?.markArea?.data.map(([a, b]) => [a.xAxis, b.xAxis])).toEqual([
      [2, 4],
      [5, 8],
    ])
    expect(named('rules')[0]?.markArea?.data[0]?.[0]).toMatchObject({ label: { show: true, formatter: 'start' } })
    expect(named('rules')[0]?.markArea?.data[1]?.[0]).toMatchObject({ label: { show: false } })
  })

  it('draws a line where a place is looked at, and says nothing along an axis without values', () => {
    const { named, option } = drawn({ selection: { kind: 'place', at: 7 } })
    expect(named('place')[0]?.markLine?.data).toEqual([{ xAxis: 7 }])
    expect(option.yAxis[0]).not.toMatchObject({ axisLabel: { show: false } })
    expect(drawn({ runs: [] }).option.yAxis[0]).toMatchObject({ axisLabel: { show: false } })
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
  }, 30_000)

  it.each([1, 2, 3])('stacks %d panels without one lying over another', (count) => {
    const { option } = drawn({ panels: [[PH], [D], [column('T')]].slice(0, count) })
    const grid = option.grid as { top: number | string; height?: string; bottom?: number }[]
    const percent = (text: number | string | undefined) => (typeof text === 'string' ? parseFloat(text) : 2)
    grid.slice(1).forEach((panel, i) => {
      const above = grid[i]
      const end = percent(above?.top) + percent(above?.height)
      expect(percent(panel.top)).toBeGreaterThan(end)
      expect(percent(panel.top) - end).toBeLessThan(12)
    })
    expect(grid[count - 1]?.bottom).toBe(56)
    expect(grid.filter(({ bottom }) => bottom !== undefined)).toHaveLength(1)
    // The lowest panel keeps a fifth of the height at least.
    expect(percent(grid[count - 1]?.top)).toBeLessThan(count === 1 ? 3 : 75)
  })

  it('names y in words where there is room and by head alone in a low panel', () => {
    expect(drawn().option.yAxis.map(({ name }) => name)).toEqual(['pH'])
    const T = column('T', { shownName: 'Temperature', unit: '°C' })
    const { option } = drawn({ panels: [[T], [T]] })
    expect(option.yAxis.map(({ name }) => name)).toEqual(['temperature T / °C', 'T / °C'])
  })

  it('gives a lone run a colour for each panel, and several runs a colour each', () => {
    const lone = drawn({ panels: [[PH], [D], [column('T')]] }).named('Run 1')
    const colours = lone.map(({ lineStyle }) => lineStyle?.color)
    expect(new Set(colours).size).toBe(3)
    expect(colours.slice(1)).toEqual([TEST_INK.derivative, TEST_INK.secondDerivative])
    const faint = { id: 1, number: 1, name: 'Before', rows: ROWS, isFaint: true }
    const now = { id: 2, number: 2, name: 'Now', rows: ROWS }
    const both = drawn({ panels: [[PH], [D]], runs: [faint, now] })
    expect(both.named('Before').map(({ lineStyle }) => lineStyle?.color)).toEqual([TEST_INK.faint, TEST_INK.faint])
    expect(both.named('Now')[1]?.lineStyle?.color).toBe(TEST_INK.derivative)
    const two = drawn({ panels: [[PH], [D]], runs: [{ ...faint, isFaint: false }, now] })
    expect(new Set(two.named('Now').map(({ lineStyle }) => lineStyle?.color)).size).toBe(1)
  })

  it('gives long lines a few of their shapes where there are several, as colours come round again', () => {
    const lines = { [PH.symbol]: Array.from({ length: 500 }, (_, i): Point => [i, 7]) }
    const runs = [1, 5].map((number) => ({ id: number, number, name: `Run ${number}`, rows: [], lines }))
    const { option, named } = drawn({ runs })

    const [shapes, more] = named('shapes')
    expect([shapes?.type, more]).toEqual(['scatter', undefined])
    const symbols = (shapes?.data as { symbol: string }[]).map(({ symbol }) => symbol)
    expect(symbols).toEqual([...Array<string>(6).fill('circle'), ...Array<string>(6).fill('diamond')])
    expect(named('Run 5')[0]?.symbol, 'In the key, too.').toBe('diamond')
    expect(option.legend.data).toEqual(['Run 1', 'Run 5'])
    expect(drawn({ runs: runs.slice(0, 1) }).named('shapes'), 'One line needs none.').toEqual([])
    expect(drawn({ runs: runs.slice(0, 1) }).named('Run 1')[0]?.symbol).toBe('none')
  })

  it('puts the words of the next reading beside its line, never over the other axis', () => {
    const align = (next: number, min: number, max: number) =>
      nextSeries(next, VOLUME, { min, max }, TEST_INK).markLine.label.align
    expect([align(0, 0, 20), align(1.5, 0, 20), align(1.7, 0, 20), align(20, 0, 20)]).toEqual([
      'left',
      'left',
      'right',
      'right',
    ])
    expect([align(100, 100, 120), align(103, 100, 120)]).toEqual(['left', 'right'])
    expect(nextSeries(2.5, VOLUME, { min: 0, max: 5 }, TEST_INK).markLine.label.formatter).toBe('next 2.50')
  })

  it('has fine ticks where there is room for them', () => {
    const ticks = (change: Partial<FigureInput>) =>
      (
        drawn(change).option.yAxis as unknown as { minorTick: { show: boolean }; minorSplitLine: { show: boolean } }[]
      ).map(({ minorTick, minorSplitLine }) => [minorTick.show, minorSplitLine.show])
    expect(ticks({})).toEqual([[true, true]])
    expect(ticks({ panels: [[PH], [D]] })).toEqual([
      [false, false],
      [false, false],
    ])
  })

  it('draws a second column along an axis of its own at the right, with its marks', () => {
    const rows = ROWS.map((of, i) => ({ ...of, cells: { ...of.cells, ...row(9, 0, { T: 20 + i }).cells } }))
    const runs = [{ id: 7, number: 1, name: 'Run 1', rows }]
    const marks = [{ ...mark('point', { xSymbol: 'V', ySymbol: 'T', x: [5], y: [21] }), text: 'warm' }]
    const { option, named } = drawn({ runs, marks, drawing: drawing({}, { right: [column('T')] }) })
    expect(option.yAxis).toHaveLength(2)
    expect(option.yAxis[1]).toMatchObject({ position: 'right', gridIndex: 0, min: 20, max: 22 })
    const series = option.series as unknown as { name?: string; yAxisIndex?: number; data: unknown[] }[]
    expect(series.filter(({ name }) => name === 'Run 1').map(({ yAxisIndex }) => yAxisIndex)).toEqual([0, 1])
    expect(series.find(({ name }) => name === 'warm')).toMatchObject({ yAxisIndex: 1, data: [[5, 21]] })
    expect(named('rules')).toHaveLength(2)
    expect(option.grid[0]?.right).toBeGreaterThan(drawn().option.grid[0]?.right ?? 0)
    // Each axis says by shape and colour which points are read along it.
    expect(option.legend.show).toBe(false)
    expect(option.yAxis.map(({ name }) => name)).toEqual(['{k0|●} pH', '{k0|◆} T'])
    expect(option.yAxis.map(({ nameTextStyle }) => nameTextStyle.rich)).toEqual([
      { k0: { color: TEST_INK.runs[0] } },
      { k0: { color: TEST_INK.runs[1] } },
    ])
    expect(named('Run 1').map(({ symbol, lineStyle }) => [symbol, lineStyle?.color])).toEqual([
      ['circle', TEST_INK.runs[0]],
      ['diamond', TEST_INK.runs[1]],
    ])
  })

  it('names lines where several runs are drawn along two axes, and counts what lies beyond', () => {
    const runs = [1, 2].map((number) => ({ id: number, number, name: `Run ${number}`, rows: ROWS }))
    const wish = drawing({}, { right: [column('T')] })
    const { option } = drawn({ runs, drawing: wish })
    expect(option.yAxis.map(({ name }) => name)).toEqual(['pH', 'T'])
    expect(option.legend.data).toEqual(['Run 1, pH', 'Run 2, pH', 'Run 1, T', 'Run 2, T'])
    expect(beyondAxes(input({ drawing: drawing({}) }))).toBe(0)
    expect(beyondAxes(input({ drawing: drawing({ axis: axis({ from: 1 }) }, { axis: axis({ to: 5 }) }) }))).toBe(2)
    expect(beyondAxes(input({ runs, drawing: drawing({ axis: axis({ scale: 'log' }) }) }))).toBe(2)
    expect(beyondAxes(input())).toBe(0)
  })

  it('has fine lines at the multiples of a power of ten', () => {
    const { option } = drawn({ drawing: drawing({ axis: axis({ scale: 'log' }) }) })
    expect([option.xAxis[0], option.yAxis[0]].map((one) => one?.minorTick.splitNumber)).toEqual([9, 5])
  })

  it('gives each panel its right axis after all left ones', () => {
    const panels = [[PH], [D], [column('m')]]
    const one = { axis: axis(), rightAxis: axis() }
    const wish = drawing({
      panels: [
        { ...one, right: [] },
        { ...one, right: [column('T')] },
        { ...one, right: [column('c')] },
      ],
    })
    const figured = input({ panels, drawing: wish })
    expect([0, 1, 2].map((panel) => axisIndexOf(figured, panel, false))).toEqual([0, 1, 2])
    expect([1, 2].map((panel) => axisIndexOf(figured, panel, true))).toEqual([3, 4])
  })

  it('leaves out by powers of ten what has no place there', () => {
    const { named, option } = drawn({
      drawing: drawing({ axis: axis({ scale: 'log' }) }, { axis: axis({ scale: 'log' }) }),
    })
    expect(named('Run 1')[0]?.data).toEqual([
      [5, 3.8],
      [10, 5.2],
    ])
    expect(option.xAxis[0]).toMatchObject({ type: 'log', min: 1, max: 100 })
    expect(option.yAxis[0]).toMatchObject({ type: 'log', min: 1, max: 10 })
  })

  it('calls an axis as somebody called it, with the unit of its column', () => {
    const called = (label: string | null) => ({ scale: 'linear' as const, from: null, to: null, label })
    const usual = drawn({ panels: [[PH, D]] }).option
    const panel = { axis: called('how sour'), right: [], rightAxis: called(null) }
    const { option } = drawn({
      panels: [[PH, D]],
      drawing: { axis: called('what was added'), panels: [panel], points: null, hasBars: false },
    })
    expect([usual.xAxis[0]?.name, usual.yAxis[0]?.name]).toEqual([
      'volume of NaOH added V / mL',
      expect.stringMatching(/pH, .*dpH/),
    ])
    expect([option.xAxis[0]?.name, option.yAxis[0]?.name]).toEqual(['what was added / mL', 'how sour / pH'])
  })

  it('draws points each by itself, and their ± as bars, where that is wished', () => {
    const { named } = drawn({ drawing: drawing({ points: 'apart', hasBars: true }) })
    expect(named('Run 1')[0]?.lineStyle).toMatchObject({ width: 0 })
    const [low, high, gap] = (named('±')[0]?.data ?? []) as Point[]
    expect(low?.[1]).toBeCloseTo(2.59, 12)
    expect(high?.[1]).toBeCloseTo(2.61, 12)
    expect(gap).toEqual([0, NaN])
    // Not of what is set aside.
    expect(named('±')[0]?.data).toHaveLength(9)
    expect(drawn().named('±')).toEqual([])
  })
})
