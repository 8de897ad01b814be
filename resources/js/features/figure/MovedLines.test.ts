// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { FigureOption } from './echarts'
import { MovedLines } from './MovedLines'

const ROOM = { width: 200, height: 150 }
const LINE = { xAxisIndex: 0, yAxisIndex: 0, lineStyle: { color: 'teal', width: 1.5, type: 'solid' } }

/** Two panels of 100 px by 50 from 50, 40 and from 50, 90: x from 0 to 10, y from 0 to 5, and from 1 to 100 by powers of ten. */
const figure = (series: object[]) =>
  ({
    legend: { data: ['run 1'] },
    grid: [
      { left: 50, right: 50, top: 40, height: 50 },
      { left: 50, right: 50, top: 90, bottom: 10 },
    ],
    xAxis: [
      { min: 0, max: 10 },
      { min: 0, max: 10, gridIndex: 1 },
    ],
    yAxis: [
      { min: 0, max: 5, gridIndex: 0 },
      { min: 1, max: 100, type: 'log', gridIndex: 1 },
    ],
    series,
  }) as unknown as FigureOption

/** What a pen was told, in turn; without a pen, null. */
let told: string[] | null = []
const pen = () =>
  new Proxy(
    {},
    {
      get:
        (_, name) =>
        (...of: unknown[]) => {
          const numbers = of.flat().filter((one): one is number => typeof one === 'number')
          told?.push([String(name), ...numbers.map((one) => Math.round(one * 100) / 100)].join(' '))
        },
      set: (_, name, value) => {
        told?.push(`${String(name)} = ${String(value)}`)
        return true
      },
    },
  )

beforeEach(() => {
  told = []
  vi.stubGlobal('devicePixelRatio', 1)
  vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockImplementation((() =>
    told === null ? null : pen()) as never)
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

const pathOf = (all: string[] | null) => all?.filter((one) => /^(moveTo|lineTo)/.test(one))
const packed = (...points: number[]) => ({ ...LINE, data: Float64Array.from(points) })

describe('lines that a hand moves', () => {
  it('are one picture between the grid and the marks, in place of the lines and the key', () => {
    const marks = { type: 'scatter', data: [[1, 2]] }
    const made = new MovedLines().pictured(figure([packed(0, 0, 10, 5), marks, { name: 'nothing' }]), ROOM)

    expect(made).toMatchObject({ legend: undefined, series: [marks, { name: 'nothing' }] })
    const [{ type, style }] = made.graphic as [{ type: string; style: { image: HTMLCanvasElement } }]
    expect(type).toBe('image')
    expect(style).toMatchObject({ x: 0, y: 0, width: 200, height: 150 })
    expect([style.image.width, style.image.height]).toEqual([200, 150])
  })

  it('go where their axes say, and no further than their panel', () => {
    new MovedLines().pictured(
      figure([packed(0, 0, 5, 2.5, 20, 5), { ...packed(0, 1, 10, 10), xAxisIndex: 1, yAxisIndex: 1 }]),
      ROOM,
    )
    expect(pathOf(told)).toEqual(['moveTo 50 90', 'lineTo 100 65', 'lineTo 250 40', 'moveTo 50 140', 'lineTo 150 115'])
    expect(told?.filter((one) => one.startsWith('rect'))).toEqual(['rect 50 40 100 50', 'rect 50 90 100 50'])
    expect(told?.filter((one) => one.startsWith('clip'))).toHaveLength(2)
    expect(told?.filter((one) => one === 'save' || one === 'restore')).toEqual(['save', 'restore', 'save', 'restore'])
  })

  it('have a gap where a point has no place', () => {
    new MovedLines().pictured(figure([packed(0, 0, 1, 1, 2, NaN, 3, 1, 4, 2)]), ROOM)
    expect(pathOf(told)).toEqual(['moveTo 50 90', 'lineTo 60 80', 'lineTo 70 NaN', 'moveTo 80 80', 'lineTo 90 70'])
  })

  it('are as broad as at rest, of hairlines no further apart than a dot', () => {
    const movesOf = (width: number, dots: number) => {
      told = []
      vi.stubGlobal('devicePixelRatio', dots)
      const line = { ...packed(0, 0, 1, 1), lineStyle: { ...LINE.lineStyle, width } }
      new MovedLines().pictured(figure([line]), ROOM)
      expect(told).toContain(`lineWidth = ${1 / dots}`)
      expect(told).toContain('strokeStyle = teal')
      const moves = told.filter((one) => one.startsWith('translate'))
      expect(told.filter((one) => one === 'stroke')).toHaveLength(moves.length / 2)
      return moves.filter((_, i) => i % 2 === 0).map((one) => one.replace('translate ', ''))
    }
    expect(movesOf(1.5, 1)).toEqual(['-0.25 0', '0 -0.25', '0.25 0', '0 0.25'])
    expect(movesOf(3, 1)).toEqual(['-1 0', '0 -1', '0 0', '0 0', '1 0', '0 1'])
    expect(movesOf(1.5, 2), 'as many more as a screen has finer dots').toHaveLength(6)
    expect(movesOf(0.5, 1)).toEqual(['0 0', '0 0'])
  })

  it('are dashed as at rest', () => {
    const line = { ...packed(0, 0, 1, 1), lineStyle: { color: 'teal', width: 2, type: 'dashed' } }
    new MovedLines().pictured(figure([line]), ROOM)
    expect(told?.filter((one) => one.startsWith('setLineDash'))).toEqual(['setLineDash 8 4'])
  })

  it('leave the key as it was drawn, above the panels', () => {
    const lines = new MovedLines()
    const drawn = document.createElement('canvas')
    Object.assign(drawn, { width: 400, height: 300 })
    lines.keep(drawn)
    told = []
    lines.pictured(figure([]), ROOM)
    const keys = () => told?.filter((one) => one.startsWith('drawImage'))
    expect(keys(), 'of a screen with two dots a px').toEqual(['drawImage 0 0 400 52 0 0 200 26'])
    told = []
    lines.keep(null)
    lines.pictured(figure([]), ROOM)
    expect(keys()).toEqual([])
    const low = figure([])
    lines.keep(drawn)
    told = []
    lines.pictured({ ...low, grid: [{ left: 50, right: 50, top: 14, height: 50 }] }, ROOM)
    expect(keys(), 'there is no key').toEqual([])
  })

  it('are left out where there is nothing to draw on or along', () => {
    const lines = new MovedLines()
    lines.pictured(figure([{ ...packed(0, 0), yAxisIndex: 7 }]), ROOM)
    expect(pathOf(told)).toEqual([])
    lines.pictured({ series: [packed(0, 0)] as never, xAxis: [{ min: 0, max: 1 }] }, ROOM)
    expect(pathOf(told)).toEqual([])
    told = null
    expect(lines.pictured(figure([packed(0, 0)]), ROOM).series).toEqual([])
  })
})
