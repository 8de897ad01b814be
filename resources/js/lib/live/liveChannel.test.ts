import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { LiveChannel } from './liveChannel'

const latest = (_: number | null, message: number) => message

class FakeEventSource {
  static readonly CLOSED = 2
  static made: FakeEventSource[] = []
  onmessage: ((event: { data: string }) => void) | null = null
  onerror: (() => void) | null = null
  readyState = 1

  constructor(readonly url: string) {
    FakeEventSource.made.push(this)
  }

  close(): void {
    this.readyState = FakeEventSource.CLOSED
  }
}

describe('LiveChannel', () => {
  beforeEach(() => {
    FakeEventSource.made = []
    vi.stubGlobal('EventSource', FakeEventSource)
    vi.useFakeTimers()
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('opens one connection for all listeners and closes it after the last', () => {
    const channel = new LiveChannel<number, number>('/live/bench-1', latest)
    const heard: string[] = []
    const stopFirst = channel.subscribe(() => heard.push(`first ${channel.value ?? ''}`))
    const stopSecond = channel.subscribe(() => heard.push(`second ${channel.value ?? ''}`))
    FakeEventSource.made[0]?.onmessage?.({ data: '7' })

    expect(FakeEventSource.made.map(({ url }) => url)).toEqual(['/live/bench-1'])
    expect(heard).toEqual(['first 7', 'second 7'])
    stopFirst()
    expect(FakeEventSource.made[0]?.readyState).toBe(1)
    stopSecond()
    expect(FakeEventSource.made[0]?.readyState).toBe(FakeEventSource.CLOSED)
    expect(channel.value).toBeNull()
  })

  it('tries again after a refusal, and leaves a broken line to the browser', () => {
    const channel = new LiveChannel<number, number>('/live/bench-1', latest, 1000)
    const stop = channel.subscribe(() => undefined)
    FakeEventSource.made[0]?.onerror?.()
    vi.advanceTimersByTime(5000)
    expect(FakeEventSource.made).toHaveLength(1)

    const [source] = FakeEventSource.made
    if (source === undefined) throw new Error('No connection was opened.')
    source.readyState = FakeEventSource.CLOSED
    source.onerror?.()
    vi.advanceTimersByTime(1000)
    expect(FakeEventSource.made).toHaveLength(2)
    stop()
  })

  it('does not open again once nobody listens', () => {
    const channel = new LiveChannel<number, number>('/live/bench-1', latest, 1000)
    const stop = channel.subscribe(() => undefined)
    const [source] = FakeEventSource.made
    if (source === undefined) throw new Error('No connection was opened.')
    source.readyState = FakeEventSource.CLOSED
    source.onerror?.()
    stop()
    vi.advanceTimersByTime(5000)
    expect(FakeEventSource.made).toHaveLength(1)
  })
})
