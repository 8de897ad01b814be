import { describe, expect, it } from 'vitest'
import type { Reading } from '../api/types'
import { movePick, NOTHING, readingsIn, spanBetween, stretchSpan } from './selection'
import { IDLE, moveTo, press } from './spanGesture'

const READINGS = [0, 1, 2, 4].map((volume, index): Reading => ({
  id: index + 10,
  volume,
  ph: null,
  millivolts: null,
  celsius: null,
  wasSteady: true,
  setAsideReason: volume === 2 ? 'touched the glass' : null,
  takenAt: '2026-11-23T10:00:00Z',
}))

describe('picking readings with the keyboard', () => {
  it('begins at an end and stops at the ends', () => {
    expect(movePick(READINGS, NOTHING, 'on')).toEqual({ kind: 'reading', id: 10 })
    expect(movePick(READINGS, NOTHING, 'back')).toEqual({ kind: 'reading', id: 13 })
    expect(movePick(READINGS, { kind: 'reading', id: 13 }, 'on')).toEqual({ kind: 'reading', id: 13 })
    expect(movePick(READINGS, { kind: 'reading', id: 12 }, 'back')).toEqual({ kind: 'reading', id: 11 })
    expect(movePick([], NOTHING, 'on')).toEqual(NOTHING)
  })

  it('stretches a span from the picked reading in both directions', () => {
    const first = stretchSpan(READINGS, { kind: 'reading', id: 11 }, 'on')
    expect(first).toEqual(spanBetween(1, 2))
    expect(stretchSpan(READINGS, first, 'on')).toEqual(spanBetween(1, 4))
    expect(stretchSpan(READINGS, spanBetween(1, 1), 'back')).toEqual(spanBetween(1, 0))
    expect(stretchSpan(READINGS, spanBetween(1, 4), 'on')).toEqual(spanBetween(1, 4))
  })

  it('counts only what is not set aside', () => {
    expect(readingsIn(READINGS, 1, 4).map(({ id }) => id)).toEqual([11, 13])
  })
})

describe('a press on the figure', () => {
  it('stays a click while the hand is still and becomes a drag when it moves', () => {
    const pressed = press(100, 50, 3)
    expect(moveTo(pressed, 103, 3.1)).toEqual(pressed)
    const dragging = moveTo(pressed, 140, 5)
    expect(dragging).toEqual({ status: 'dragging', x: 100, volume: 3, head: 5 })
    expect(moveTo(dragging, 101, 3.05)).toEqual({ status: 'dragging', x: 100, volume: 3, head: 3.05 })
    expect(moveTo(IDLE, 10, 1)).toEqual(IDLE)
  })
})
