import { describe, expect, it } from 'vitest'
import { traceColumns, withLatest } from './trace'

describe('a live trace', () => {
  it('spreads the values of a message evenly up to its time', () => {
    const trace = withLatest([{ t: 10, v: 1 }], 10.4, [2, 3, 4, 5], 60)

    expect(trace.map(({ t }) => Number(t.toFixed(6)))).toEqual([10, 10.1, 10.2, 10.3, 10.4])
    expect(trace.map(({ v }) => v)).toEqual([1, 2, 3, 4, 5])
  })

  it('drops what is too old and what came before', () => {
    const trace = withLatest(
      [
        { t: 1, v: 1 },
        { t: 50, v: 2 },
      ],
      70,
      [3],
      60,
    )

    expect(trace).toEqual([
      { t: 50, v: 2 },
      { t: 70, v: 3 },
    ])
    expect(withLatest(trace, 70, [9], 60)).toBe(trace)
  })

  it('never loses a peak when it is drawn in fewer columns', () => {
    const trace = Array.from({ length: 5000 }, (_, i) => ({ t: i, v: i === 3217 ? 9 : i === 1234 ? -9 : Math.sin(i) }))
    const drawn = traceColumns(trace, 260)

    expect(drawn.length).toBeLessThanOrEqual(520)
    expect(drawn).toContainEqual({ t: 3217, v: 9 })
    expect(drawn).toContainEqual({ t: 1234, v: -9 })
    expect(drawn.every(({ t }, i) => i === 0 || t >= (drawn[i - 1]?.t ?? 0))).toBe(true)
  })

  it('is drawn as it is while it has no more points than two a column', () => {
    const trace = Array.from({ length: 20 }, (_, i) => ({ t: i, v: i % 3 }))
    expect(traceColumns(trace, 10)).toBe(trace)
    expect(traceColumns(trace, 9)).toHaveLength(18)
  })
})
