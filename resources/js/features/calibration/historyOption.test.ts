import { describe, expect, it } from 'vitest'
import { TEST_INK } from '../../testing/notebook'
import { historyOption, historyPoints } from './historyOption'
import { recipeOf } from './recipeOf'
import { keptCalibration, keyFigure } from '../../testing/plunger'

const HISTORY = [
  keptCalibration(1, '2026-09-10', 98),
  keptCalibration(2, '2026-10-10', 97),
  keptCalibration(3, '2026-11-10', 96, { setAsideReason: 'buffer was old' }),
]

describe('the history of a probe', () => {
  it('leaves out lines that were not read with it, and other units than the latest', () => {
    const points = historyPoints([
      ...HISTORY,
      keptCalibration(4, '2026-11-11', 93, { origin: 'copied' }),
      keptCalibration(5, '2026-11-12', 100, { origin: 'factory' }),
    ])
    expect(points.map(({ figure }) => figure.measured.value)).toEqual([98, 97, 96])

    const inNewtons = keptCalibration(6, '2026-11-13', 1, { unit: 'N' })
    expect(historyPoints([...HISTORY, inNewtons])).toHaveLength(1)
  })

  it('draws what was set aside hollow, apart from the line', () => {
    const { series } = historyOption(HISTORY, TEST_INK, false) as { series: { type: string; data: unknown[] }[] }

    expect(series.map(({ type, data }) => [type, data.length])).toEqual([
      ['line', 2],
      ['scatter', 1],
    ])
  })

  it('keeps the limit of use in sight, clear of the axis', () => {
    const { yAxis } = historyOption(HISTORY, TEST_INK, false) as { yAxis: { min: number; max: number } }

    expect(yAxis.min).toBeLessThan(85)
    expect(yAxis.max).toBeGreaterThanOrEqual(102)
  })

  it('tells days over a few weeks and months over more', () => {
    const axisOf = (...days: string[]) =>
      (
        historyOption(
          days.map((day, i) => keptCalibration(i, day, 97)),
          TEST_INK,
          false,
        ) as { xAxis: { axisLabel: { formatter: string }; minInterval?: number; splitNumber?: number } }
      ).xAxis
    expect(axisOf('2026-10-01', '2026-11-20').axisLabel.formatter).toBe('{d} {MMM}')
    expect(axisOf('2026-10-01', '2026-11-20').splitNumber).toBe(4)
    expect(axisOf('2026-10-01', '2026-11-21').axisLabel.formatter).toBe('{MMM}')
    expect(axisOf('2026-10-01', '2026-11-21').minInterval).toBe(28 * 86_400_000)
    expect(axisOf('2026-10-01').axisLabel.formatter).toBe('{d} {MMM}')
  })

  it('names the limit where there is room, shades what is good, and ticks twice where there is little', () => {
    interface Drawn {
      yAxis: { interval: number; min: number; max: number; axisLabel: { formatter: (v: number) => string } }
      series: {
        data: [number, number][]
        markLine?: { label: { show?: boolean; formatter?: string }; data: { yAxis: number }[] }
        markArea?: { data: [{ yAxis: number }, { yAxis: number }][] }
      }[]
    }
    const large = historyOption(HISTORY, TEST_INK, false) as unknown as Drawn
    const small = historyOption(HISTORY, TEST_INK, true) as unknown as Drawn
    expect(large.series[0]?.markLine?.label.formatter).toBe('replace below 85 %')
    expect(small.series[0]?.markLine?.label.show).toBe(false)
    expect(small.series[0]?.markLine?.data).toEqual([{ yAxis: 85 }])
    expect(large.series[0]?.markArea?.data).toEqual([[{ yAxis: 95 }, { yAxis: 102 }]])
    expect(small.yAxis.interval).toBe((small.yAxis.max - small.yAxis.min) / 2)
    expect((large.yAxis.max - large.yAxis.min) / large.yAxis.interval).toBeGreaterThan(3)
    expect(large.yAxis.axisLabel.formatter(95)).toBe('95')
    expect(large.series[0]?.data.map(([, value]) => value)).toEqual([98, 97])
    expect(large.series[1]?.data.map(([, value]) => value)).toEqual([96])
    const cell = keyFigure(1.062, { goodFrom: null, goodTo: null, usableFrom: null })
    const free = historyOption([keptCalibration(1, '2026-09-10', 0, { keyFigures: [cell] })], TEST_INK, false)
    expect((free as unknown as Drawn).series[0]?.markLine).toBeUndefined()
    expect((free as unknown as Drawn).series[0]?.markArea).toBeUndefined()
    expect((free as unknown as Drawn).yAxis.axisLabel.formatter(1.062)).toBe('1.06')
  })

  it('scales to a probe without limits too', () => {
    const figure = keyFigure(1.062, { goodFrom: null, goodTo: null, usableFrom: null })
    const { yAxis } = historyOption(
      [keptCalibration(1, '2026-09-10', 0, { keyFigures: [figure] })],
      TEST_INK,
      true,
    ) as {
      yAxis: { min: number; max: number }
    }
    expect(yAxis.min).toBeLessThanOrEqual(1.062)
    expect(yAxis.max).toBeGreaterThanOrEqual(1.062)
  })
})

describe('recipeOf', () => {
  const recipe = (key: string, title: string) => ({
    key,
    title,
    hint: '',
    unit: 'pH',
    needsBarometer: false,
    needsBore: false,
  })
  const recipes = [recipe('buffers', 'Three buffers'), recipe('one-buffer', 'One buffer, offset only')]

  it('takes the way of last time, else the usual one', () => {
    const last = keptCalibration(1, '2026-11-10', 98, { recipe: 'One buffer, offset only' })

    expect(recipeOf({ recipes, calibration: null })).toBe('buffers')
    expect(recipeOf({ recipes, calibration: last })).toBe('one-buffer')
    expect(recipeOf({ recipes, calibration: { ...last, origin: 'copied' } })).toBe('buffers')
  })
})
