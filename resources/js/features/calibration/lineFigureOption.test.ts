import { describe, expect, it } from 'vitest'
import { TEST_INK } from '../../testing/notebook'
import { lineFigureOption } from './lineFigureOption'
import { standard, testCalibration } from '../../testing/plunger'

interface Series {
  name: string
  data: { name: string; value: [number, number]; label: { position: string } }[] | [number, number][]
}

function seriesOf(...arguments_: Parameters<typeof lineFigureOption>): Map<string, Series['data']> {
  const { series } = lineFigureOption(...arguments_) as { series: Series[] }
  return new Map(series.map(({ name, data }) => [name, data]))
}

describe('lineFigureOption', () => {
  it('draws what was read, what is now, and what is to come on the line a new probe would have', () => {
    const series = seriesOf(testCalibration(), [47.9], TEST_INK)

    expect(series.get('Hazel-3')).toMatchObject([{ name: '10.0 mL', value: [10, 18] }])
    expect(series.get('now 0')).toMatchObject([{ name: 'mark 30, now', value: [30, 47.9] }])
    expect(series.get('to come')).toMatchObject([{ name: 'mark 50 to come', value: [50, 78] }])
    expect(series.get('new probe')?.[0]).toEqual([0, 3])
  })

  it('draws the line once there is one, and nothing is now when it was kept', () => {
    const ends = [
      { value: 0, raw: 2 },
      { value: 57.5, raw: 94 },
    ]
    const line = { slope: 1.6, slopeUncertainty: 0, offset: 2, offsetUncertainty: 0, reference: 0, ends }
    const series = seriesOf(testCalibration({ line, state: 'kept' }), [47.9], TEST_INK)

    expect(series.get('line Hazel-3')).toEqual([
      [0, 2],
      [57.5, 94],
    ])
    expect(series.has('now 0')).toBe(false)
  })

  it('names points at the left where the figure ends, so that no name is cut', () => {
    const standards = [standard(0, 10, 18), standard(1, 50, 78)]
    const positions = (
      seriesOf(testCalibration({ standards }), [null], TEST_INK).get('Hazel-3') as Exclude<
        Series['data'],
        [number, number][]
      >
    ).map(({ label }) => label.position)

    expect(positions).toEqual(['right', 'left'])
  })

  it('does not draw what only shows whether a probe sits well', () => {
    const standards = [standard(0, 0, 12), standard(1, 5, 110, { isPoint: false })]
    const series = seriesOf(testCalibration({ standards }), [null], TEST_INK)

    expect(series.get('Hazel-3')).toHaveLength(1)
  })

  it('gives every probe in the same standards a line and a shape of its own', () => {
    const other = { ...testCalibration(), id: 2, probeId: 9, probe: { ...testCalibration().probe, serial: 'Hazel-4' } }
    const { series } = lineFigureOption(testCalibration({ beside: [other] }), [47.9, 48.2], TEST_INK) as {
      series: { name: string; symbol?: string }[]
    }
    const symbols = series.filter(({ name }) => name.startsWith('Hazel-')).map(({ symbol }) => symbol)

    expect(symbols).toEqual(['circle', 'diamond'])
    const named = (series as { name: string; label?: { show: boolean } }[]).filter(({ name }) =>
      /^(Hazel-|now)/.test(name),
    )
    // Points of probes in the same standards lie beside each other: the first ones have the names.
    expect(named.map(({ name, label }) => [name, label?.show])).toEqual([
      ['Hazel-3', true],
      ['Hazel-4', false],
      ['now 0', true],
      ['now 1', false],
    ])
    expect(series.filter(({ name }) => name.startsWith('now'))).toHaveLength(2)
  })

  it('goes as far as the standards, and as high as what is read, shown now and expected', () => {
    interface Drawn {
      xAxis: { name: string; min: number; max: number }
      yAxis: { name: string; min: number; max: number }
    }
    const drawn = (...arguments_: Parameters<typeof lineFigureOption>) =>
      lineFigureOption(...arguments_) as unknown as Drawn
    const plunger = drawn(testCalibration(), [47.9], TEST_INK)
    expect([plunger.xAxis.name, plunger.yAxis.name]).toEqual(['volume / mL', 'raw signal / mm'])
    expect([plunger.xAxis.min, plunger.xAxis.max]).toEqual([0, 60])
    expect([plunger.yAxis.min, plunger.yAxis.max]).toEqual([0, 100])
    expect(drawn(testCalibration(), [150], TEST_INK).yAxis.max).toBeGreaterThanOrEqual(150)
    // What a probe shows beside a standard that is no point says nothing about the line.
    const fit = testCalibration({ standards: [standard(0, 10, 18), standard(1, 5, null, { isPoint: false })] })
    expect(drawn(fit, [150], TEST_INK).yAxis.max).toBe(100)
    expect(drawn(testCalibration({ unit: 'pH', range: { from: 0, to: 14 } }), [null], TEST_INK).xAxis).toMatchObject({
      name: 'pH',
      min: 0,
      max: 15,
    })
    expect(drawn(testCalibration({ unit: 'V' }), [null], TEST_INK).xAxis.name).toBe('quantity / V')
  })

  it('colours a lone probe as its own and several apart', () => {
    const other = { ...testCalibration(), id: 2, probeId: 9, probe: { ...testCalibration().probe, serial: 'Hazel-4' } }
    const coloursOf = (calibration: Parameters<typeof lineFigureOption>[0]) =>
      (
        lineFigureOption(calibration, [null], TEST_INK) as { series: { name: string; itemStyle?: { color: string } }[] }
      ).series
        .filter(({ name }) => name.startsWith('Hazel-'))
        .map(({ itemStyle }) => itemStyle?.color)
    expect(coloursOf(testCalibration())).toEqual([TEST_INK.primary])
    expect(new Set(coloursOf(testCalibration({ beside: [other] }))).size).toBe(2)
  })
})
