import { describe, expect, it } from 'vitest'
import type { Run } from '../../lib/api/types'
import { reading } from '../../testing/examples'
import { TEST_INK } from '../../testing/working'
import { runFigureOption } from './runFigureOption'

function run(id: number, number: number, change: Partial<Run> = {}): Run {
  return {
    id,
    number,
    state: 'open',
    startedAt: '2026-11-23T10:00:00Z',
    finishedAt: null,
    readingCount: 2,
    experimentId: 1,
    plan: [{ from: 0, to: 20, step: 1 }],
    remaining: [],
    electrode: null,
    calibration: null,
    isWorkedOutAgain: false,
    trustSentences: [],
    readings: [reading(1, 0, 2.6), reading(2, 1, 3)],
    advice: null,
    ...change,
  }
}

const PLAN = [{ from: 0, to: 16, step: 1 }]

describe('runFigureOption', () => {
  const seriesOf = (input: Partial<Parameters<typeof runFigureOption>[0]>) =>
    runFigureOption({ titrant: 'NaOH', plan: PLAN, run: null, earlier: null, next: null, ...input }, TEST_INK)
      .series as unknown as {
      name: string
      data: unknown[]
      silent?: boolean
      markLine?: { data: unknown[]; label: object }
    }[]

  it('is an empty figure with its axes before anything is recorded', () => {
    expect(seriesOf({})).toEqual([])
  })

  it('draws the earlier run behind the one that grows, and where the next reading goes', () => {
    const series = seriesOf({ run: run(2, 2), earlier: run(1, 1), next: 2 })
    expect(series.map(({ name }) => name)).toEqual(['Run 1', 'Run 2', 'set aside'])
    expect(series[1]?.markLine?.data).toEqual([{ xAxis: 2 }])
    expect(series[1]?.markLine?.label).toMatchObject({ formatter: 'next 2.00', align: 'center' })
    const [begun] = seriesOf({ run: run(1, 1), next: 0 })
    expect(begun?.markLine?.label, 'clear of the number at the top of the axis').toMatchObject({ align: 'left' })
  })

  it('has room for the whole plan and for readings beyond it', () => {
    const axisOf = (readings: Run['readings']) =>
      runFigureOption(
        { titrant: 'NaOH', plan: PLAN, run: run(1, 1, { readings }), earlier: null, next: null },
        TEST_INK,
      ).xAxis as unknown as { max: number; name: string }
    expect(axisOf([]).max).toBeGreaterThanOrEqual(16)
    expect(axisOf([reading(1, 31.5, 12)]).max).toBeGreaterThanOrEqual(31.5)
    expect(axisOf([]).name).toBe('volume of NaOH added / mL')
  })
})
