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
    expect(series.filter(({ name }) => name.startsWith('now'))).toHaveLength(2)
  })
})
