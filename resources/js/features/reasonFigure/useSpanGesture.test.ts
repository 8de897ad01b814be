// @vitest-environment jsdom
import { renderHook } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import type { Selection } from '../../lib/figure/selection'
import type { FigureCanvas } from '../figure'
import { useSpanGesture } from './useSpanGesture'

interface Moment {
  kind: 'down' | 'move' | 'up' | 'away'
  x: number
  y: number
}

/** A figure of 200 by 100 px whose x goes from 0 to 20 and y from 10 down to 0. */
function hand(onLeave: (() => void) | null = null, isPlaceMeant = false, onAxis = vi.fn()) {
  const listeners = new Set<(moment: Moment) => void>()
  const canvas = {
    onPointer: (listener: (moment: Moment) => void) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    panelAt: (y: number, count: number) => (count > 0 && y >= 0 && y <= 100 ? 0 : null),
    isAtAxis: (x: number, y: number) => x < -20 || y > 100,
    toData: (_: number, x: number, y: number) => [x / 10, 10 - y / 10],
    toPixel: (_: number, x: number, y: number) => [x * 10, 100 - y * 10],
  } as unknown as FigureCanvas
  const selected: Selection[] = []
  const points = [
    { id: 1, runId: 1, x: 5, y: 5, isAside: false },
    { id: 2, runId: 1, x: 6, y: 5, isAside: false },
    { id: 3, runId: 1, x: 15, y: 1, isAside: true },
  ]
  const hook = renderHook(() => {
    useSpanGesture(canvas, 1, points, (selection) => selected.push(selection), { onLeave, isPlaceMeant, onAxis })
  })
  const does = (...moments: [Moment['kind'], number, number][]) => {
    for (const [kind, x, y] of moments) for (const listener of listeners) listener({ kind, x, y })
  }
  return { does, selected, listeners, ...hook }
}

describe('a hand on a figure', () => {
  it('picks the point that is nearest to a click, if one is near', () => {
    const { does, selected } = hand()
    does(['down', 54, 50], ['up', 54, 50])
    does(['down', 58, 52], ['move', 59, 52], ['up', 59, 52])
    does(['down', 150, 71], ['up', 150, 71])
    does(['down', 150, 69], ['up', 150, 69])
    expect(selected).toEqual([{ kind: 'row', id: 1 }, { kind: 'row', id: 2 }, { kind: 'row', id: 3 }, { kind: 'none' }])
  })

  it('picks a place and how high it is where no point is, if that is meant', () => {
    const { does, selected } = hand(null, true)
    does(['down', 54, 50], ['up', 54, 50])
    does(['down', 97, 42], ['up', 97, 42])
    does(['down', -8, 42], ['up', -8, 42])
    does(['down', 97, 42], ['move', 97, 130], ['up', 97, 130])
    expect(selected).toEqual([
      { kind: 'row', id: 1 },
      { kind: 'place', at: 9.7, height: 5.8 },
      { kind: 'place', at: 5, height: 5.8 },
      { kind: 'place', at: 9.7 },
    ])
  })

  it('opens the axes where one is pressed, and begins a span there if the hand goes on', () => {
    const onAxis = vi.fn()
    const { does, selected } = hand(null, true, onAxis)
    does(['down', -30, 50], ['up', -29, 51], ['down', 90, 120], ['up', 90, 120])
    expect(onAxis).toHaveBeenCalledTimes(2)
    expect(selected).toEqual([])
    does(['down', -30, 50], ['move', 80, 50], ['up', 80, 50])
    expect(selected.at(-1)).toMatchObject({ kind: 'span', from: 5, to: 8 })
    does(['down', -30, 50], ['away', -30, 50], ['up', -30, 50])
    expect(onAxis).toHaveBeenCalledTimes(2)
  })

  it('makes nothing of what was meant for something else', () => {
    const { does, selected } = hand()
    does(['down', 54, 50], ['away', 54, 50], ['move', 90, 50], ['up', 90, 50])
    expect(selected).toEqual([])
  })

  it('takes a place along until a click leaves it', () => {
    const leave = vi.fn()
    const { does, selected } = hand(leave)
    does(['move', 60, 50], ['move', 70, 50], ['move', 70, 150], ['away', 80, 50], ['down', 90, 50])
    expect(selected).toEqual([6, 7, 9].map((at) => ({ kind: 'place', at })))
    expect(leave).not.toHaveBeenCalled()
    does(['up', 90, 50])
    expect(leave).toHaveBeenCalledOnce()
  })

  it('makes a span by a drag, told while the hand moves, whichever way', () => {
    const { does, selected } = hand()
    does(['down', 120, 50], ['move', 100, 50], ['move', 40, 50], ['up', 30, 50])
    expect(selected.map((one) => (one.kind === 'span' ? [one.from, one.to] : one.kind))).toEqual([
      [10, 12],
      // No point lies further left.
      [5, 12],
      [5, 12],
    ])
    // The drag is over: what moves now is a hand without a button.
    does(['move', 90, 50])
    expect(selected).toHaveLength(3)
  })

  it('begins a span beside a panel, none above it, and nothing any more when the figure is gone', () => {
    const { does, selected, listeners, unmount } = hand()
    does(['down', 50, 150], ['move', 50, 50], ['up', 50, 50])
    expect(selected).toEqual([])
    does(['down', -10, 50], ['move', 80, 50], ['up', 80, 50])
    expect(selected.at(-1)).toMatchObject({ kind: 'span', from: 5, to: 8 })
    unmount()
    expect(listeners.size).toBe(0)
  })
})
