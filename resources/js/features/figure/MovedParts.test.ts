import { describe, expect, it } from 'vitest'
import type { FigureOption } from './echarts'
import { MovedParts } from './MovedParts'

const drawn = (max: number, lines = 2) =>
  ({
    animation: false,
    legend: { data: ['run 1'] },
    grid: [{}],
    xAxis: { max },
    yAxis: [{}],
    series: Array.from({ length: lines }, () => ({ type: 'line' })),
  }) as FigureOption
const idsOf = (option: FigureOption) =>
  (option.series as { id: string }[]).map(({ id }) => id).concat((option.xAxis as { id: string }[]).map(({ id }) => id))

describe('parts of a drawing that a hand moves', () => {
  it('keep their names, and the key is drawn once', () => {
    const parts = new MovedParts()
    const [first, next] = [parts.named(drawn(1), 'a'), parts.named(drawn(2), 'a')]

    expect(new Set(idsOf(first.option)).size).toBe(3)
    expect(idsOf(next.option)).toEqual(idsOf(first.option))
    expect(next.option).toMatchObject({ animation: false, xAxis: [{ max: 2 }] })
    expect([first.option.legend, next.option.legend]).toEqual([
      [{ data: ['run 1'], id: expect.any(String) as string }],
      undefined,
    ])
    expect([first.replaced.includes('legend'), next.replaced.includes('legend')]).toEqual([true, false])
    expect(next.replaced).toEqual(['series', 'xAxis', 'yAxis', 'grid'])
  })

  it('are others when something else is drawn, or more of it', () => {
    const parts = new MovedParts()
    const [first, more, else_] = [
      parts.named(drawn(1), 'a'),
      parts.named(drawn(1, 3), 'a'),
      parts.named(drawn(1, 3), 'b'),
    ]

    expect(idsOf(more.option)).not.toContain(idsOf(first.option)[0])
    expect(idsOf(else_.option)).not.toContain(idsOf(more.option)[0])
    expect(else_.replaced).toContain('legend')
  })

  it('are none where a drawing has none', () => {
    expect(new MovedParts().named({ series: [] }, 'a').option).toMatchObject({ series: [], legend: [], xAxis: [] })
  })
})
