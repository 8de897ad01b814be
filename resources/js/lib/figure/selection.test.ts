import { describe, expect, it } from 'vitest'
import { meantEnd, movePick, NOTHING, placeOf, pointsIn, spanBetween, stretchSpan, type PickPoint } from './selection'
import { IDLE, moveTo, press } from './spanGesture'

const POINTS: PickPoint[] = [0, 5, 10, 11].map((x, i) => ({ runId: 1, id: i + 1, x, y: x, isAside: i === 3 }))

describe('what is picked on a figure', () => {
  it('moves from point to point and stops at the ends', () => {
    expect(movePick(POINTS, NOTHING, 'on')).toEqual({ kind: 'row', id: 1 })
    expect(movePick(POINTS, NOTHING, 'back')).toEqual({ kind: 'row', id: 4 })
    expect(movePick(POINTS, { kind: 'row', id: 2 }, 'on')).toEqual({ kind: 'row', id: 3 })
    expect(movePick(POINTS, { kind: 'row', id: 1 }, 'back')).toEqual({ kind: 'row', id: 1 })
    expect(movePick([], NOTHING, 'on')).toEqual(NOTHING)
  })

  it('is a place between two points, from which the next one is picked', () => {
    const place = { kind: 'place', at: 7 } as const
    expect([movePick(POINTS, place, 'on'), movePick(POINTS, place, 'back')]).toEqual([
      { kind: 'row', id: 3 },
      { kind: 'row', id: 2 },
    ])
    const there = { kind: 'place', at: 5 } as const
    expect([movePick(POINTS, there, 'on'), movePick(POINTS, there, 'back')]).toEqual([
      { kind: 'row', id: 3 },
      { kind: 'row', id: 1 },
    ])
    const far = { kind: 'place', at: 20 } as const
    expect([movePick(POINTS, far, 'on'), movePick(POINTS, far, 'back')]).toEqual([
      { kind: 'row', id: 4 },
      { kind: 'row', id: 4 },
    ])
    expect([
      placeOf(POINTS, place),
      placeOf(POINTS, { kind: 'row', id: 3 }),
      placeOf(POINTS, { kind: 'row', id: 9 }),
    ]).toEqual([7, 10, null])
    expect([placeOf(POINTS, NOTHING), placeOf(POINTS, spanBetween(1, 2))]).toEqual([null, null])
    expect(stretchSpan(POINTS, place, 'on')).toEqual(spanBetween(7, 10))
  })

  it('stretches a span over the point next to it, on either side of where it began', () => {
    const first = stretchSpan(POINTS, { kind: 'row', id: 2 }, 'on')
    expect(first).toEqual(spanBetween(5, 10))
    expect(stretchSpan(POINTS, first, 'back')).toEqual(spanBetween(5, 5))
    expect(stretchSpan(POINTS, spanBetween(5, 5), 'back')).toEqual({ kind: 'span', from: 0, to: 5, anchor: 5, head: 0 })
    expect(stretchSpan(POINTS, spanBetween(5, 11), 'on')).toEqual(spanBetween(5, 11))
    expect(stretchSpan([], NOTHING, 'on')).toEqual(NOTHING)
  })

  it('holds the points of a span that count', () => {
    expect(pointsIn(POINTS, 5, 11).map(({ id }) => id)).toEqual([2, 3])
  })

  it('becomes a span only when the hand has moved', () => {
    const pressed = press(100, 50, 3)
    expect(moveTo(pressed, 104, 3.4)).toBe(pressed)
    const dragged = moveTo(pressed, 105, 3.5)
    expect(dragged).toEqual({ status: 'dragging', x: 100, at: 3, head: 3.5 })
    expect(moveTo(dragged, 101, 3.1)).toEqual({ status: 'dragging', x: 100, at: 3, head: 3.1 })
    expect(moveTo(IDLE, 5, 5)).toBe(IDLE)
  })

  it('ends a span at a round number within about a pixel, and at the last point', () => {
    const far = [-1, 1000].map((x) => ({ runId: 1, id: x, x, y: 0, isAside: false }))
    expect(meantEnd(far, 53.967, 0.3)).toBe(54)
    expect(meantEnd(far, 53.967, 0.09)).toBe(54)
    expect(meantEnd(far, 53.967, 0.02)).toBe(53.96)
    expect(meantEnd(far, 53.967, -0.003)).toBe(53.965)
    expect(meantEnd(far, 538.7, 3)).toBe(540)
    expect(meantEnd(far, -0.2, 0.3)).toBe(0)
    expect(meantEnd(far, -53.9, 0.3)).toBe(-1)
    expect(meantEnd(far, 1003, 0.3)).toBe(1000)
    expect(meantEnd([], 53.967, 0.3)).toBe(53.967)
  })
})
