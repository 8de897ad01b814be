import { describe, expect, it } from 'vitest'
import { column, figure, mark, PH, row, VOLUME } from '../../testing/notebook'
import { askedPanels, drawingOf, inUnits, named, selectionInUnits, shownAlong, withEnds } from './axisUnits'
import type { FigureInput } from './drawn'
import { spanBetween } from './selection'

const plain = figure('V', [['pH'], ['T']])
/** V in litres, T in kelvin at the right. */
const wished = {
  ...plain,
  axis: { ...plain.axis, unit: 'L', from: 0, shown: { V: { factor: 0.001, offset: 0 } } },
  panels: plain.panels.map((panel, i) =>
    i === 0
      ? {
          ...panel,
          right: ['T'],
          rightAxis: { ...panel.axis, unit: 'K', shown: { T: { factor: 1, offset: 273.15 } } },
        }
      : { ...panel, y: ['m'] },
  ),
  points: 'apart' as const,
  bars: true,
  coloursBy: null,
}
const T = column('T', { unit: 'degC' })

describe('axes in other units', () => {
  const input: FigureInput = {
    x: VOLUME,
    panels: [[PH]],
    runs: [{ id: 1, number: 1, name: 'Run 1', rows: [row(1, 5, { V: 5, pH: 3.8, T: 20 })] }],
    marks: [{ ...mark('point', { xSymbol: 'V', ySymbol: 'T', x: [10], y: [25] }), text: '' }],
    spans: [[2, 4, 'start']],
    selection: spanBetween(8, 6),
  }

  it('show all that is drawn in them, and leave the rest as it is', () => {
    const shown = inUnits(input, wished)
    const cells = shown.runs[0]?.rows[0]?.cells
    expect(cells?.V?.value).toBeCloseTo(0.005, 12)
    expect(cells?.T?.value).toBeCloseTo(293.15, 9)
    expect(cells?.V?.uncertainty).toBeCloseTo((input.runs[0]?.rows[0]?.cells.V?.uncertainty ?? 0) / 1000, 12)
    expect(cells?.pH).toEqual(input.runs[0]?.rows[0]?.cells.pH)
    expect(shown.marks?.[0]).toMatchObject({ x: [0.01], y: [298.15] })
    expect(shown.spans).toEqual([[0.002, 0.004, 'start']])
    expect(shown.selection).toEqual(spanBetween(0.008, 0.006))
    expect(inUnits(input, plain)).toBe(input)
  })

  it('lead back to the units of the columns', () => {
    const along = shownAlong(wished.axis, 'V')
    expect(along.back(along.to(12.5))).toBeCloseTo(12.5, 12)
    expect(selectionInUnits(spanBetween(0.008, 0.006), along.back)).toMatchObject({
      from: 6,
      to: 8,
      anchor: 8,
      head: 6,
    })
    expect(selectionInUnits({ kind: 'row', id: 3 }, along.back)).toEqual({ kind: 'row', id: 3 })
    expect(shownAlong(undefined, 'V').to(4)).toBe(4)
  })

  it('name their columns by them where they fit', () => {
    expect(named(T, wished.panels[0]?.rightAxis ?? plain.axis)?.unit).toBe('K')
    expect(named(PH, { ...plain.axis, unit: 'K' })?.unit).toBe(PH.unit)
    const drawing = drawingOf(wished, (symbol) => (symbol === 'T' ? T : undefined))
    expect(drawing.panels[0]?.right.map(({ symbol, unit }) => [symbol, unit])).toEqual([['T', 'K']])
    expect(drawing).toMatchObject({ axis: { scale: 'linear', from: 0, to: null }, points: 'apart', hasBars: true })
  })

  it('end where they are seen to end, on round numbers', () => {
    const axis = (min: number, max: number) => ({ min, max, isLogarithmic: false, panel: 0 })
    const asked = withEnds(wished, {
      x: axis(0.00123, 0.0098761),
      y: [axis(2.99987, 7.0002), axis(-1, 3), axis(280, 300)],
    })
    expect(asked.axis).toMatchObject({ from: 0.00124, to: 0.00988, unit: 'L' })
    expect(asked.panels.map(({ axis: left, rightAxis }) => [left.from, left.to, rightAxis.from, rightAxis.to])).toEqual(
      [
        [3, 7, 280, 300],
        [-1, 3, null, null],
      ],
    )
    const log = { ...plain, axis: { ...plain.axis, scale: 'log' as const } }
    expect(withEnds(log, { x: axis(0.0101234, 100.2), y: [] }).axis).toMatchObject({ from: 0.0101, to: 100 })
    expect(withEnds(log, { x: axis(1, 2), y: [] }).panels[0]?.axis.from).toBeNull()
  })

  it('are asked for without what the server adds', () => {
    expect(askedPanels(wished.panels)[0]).toEqual({
      y: ['pH'],
      axis: { scale: 'linear', from: null, to: null, unit: null, label: null },
      right: ['T'],
      rightAxis: { scale: 'linear', from: null, to: null, unit: 'K', label: null },
    })
  })
})
