import { describe, expect, it } from 'vitest'
import { live } from '../../testing/examples'
import type { LiveBench } from '../api/types'
import { benchChannel, experimentChannel, foldBench, foldWatch, together } from './channels'

function message(benchId: number, more: Partial<LiveBench>): LiveBench {
  return {
    benchId,
    isConnected: true,
    madeAtMs: null,
    time: 1,
    revision: 'a',
    probes: [],
    timedRuns: [],
    notes: [],
    ...more,
  }
}

const world = { speed: 1, isRinsed: true, summary: ['in rinse water'], controls: [] }

describe('foldBench', () => {
  it('keeps what an onlooker sees until another message tells it', () => {
    const first = foldBench(null, message(1, { world }))
    const second = foldBench(first, message(1, { time: 2 }))

    expect(second.get(1)?.world).toEqual(world)
    expect(second.get(1)?.time).toBe(2)
    expect(foldBench(second, message(1, { world: null })).get(1)?.world).toBeNull()
  })

  it('leaves the other benches as they are, so that only one of them is drawn anew', () => {
    const first = foldBench(foldBench(null, message(1, {})), message(2, { world }))
    const second = foldBench(first, message(1, { time: 2 }))

    expect(second.get(2)).toBe(first.get(2))
    expect([...second.keys()]).toEqual([1, 2])
  })
})

describe('live channels', () => {
  it('are shared by all who listen to the same', () => {
    expect(benchChannel([1, 2])).toBe(benchChannel([1, 2]))
    expect(benchChannel([1, 2])).not.toBe(benchChannel([2]))
    expect(experimentChannel(5)).toBe(experimentChannel(5))
    expect(experimentChannel(5)).not.toBe(experimentChannel(6))
  })
})

describe('two benches that feed one run', () => {
  it('are seen as the first with the probes of both, and as the first alone until the other speaks', () => {
    const [first, second] = [
      message(1, { probes: [live({ id: 4 })], time: 9 }),
      message(2, { probes: [live({ id: 7 })], time: 70 }),
    ]
    expect(together(first, null)).toBe(first)
    expect(together(null, second)).toBeNull()
    const both = together(first, second)
    expect([both?.benchId, both?.time, both?.probes.map(({ id }) => id)]).toEqual([1, 9, [4, 7]])
  })
})

describe('foldWatch', () => {
  it('holds live values, the newest revision, and that the board was closed', () => {
    const shown = foldWatch(null, message(3, { time: 7 }))
    expect(shown.benches?.get(3)?.time).toBe(7)
    const news = foldWatch(shown, { experimentId: 1, revision: 9, screen: '' })
    expect(foldWatch(news, { experimentId: 1, revision: 8, screen: '' }).revision).toBe(9)
    expect([news.isClosed, news.benches]).toEqual([false, shown.benches])
    expect(foldWatch(news, { watchId: 5, isClosed: true })).toEqual({ ...news, isClosed: true })
  })
})
