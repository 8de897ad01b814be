/** Messages of one live channel, shared by all who listen in this tab; the last one is kept. */
export class LiveChannel<T> {
  private source: EventSource | null = null
  private readonly listeners = new Set<() => void>()
  private latest: T | null = null
  private retryTimer: ReturnType<typeof setTimeout> | undefined

  constructor(
    private readonly url: string,
    private readonly retryMs = 1000,
  ) {}

  get value(): T | null {
    return this.latest
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    if (this.listeners.size === 1) this.open()
    return () => {
      this.listeners.delete(listener)
      if (this.listeners.size === 0) this.close()
    }
  }

  readonly snapshot = (): T | null => this.latest

  private open(): void {
    const source = new EventSource(this.url)
    this.source = source
    source.onmessage = (event: MessageEvent<string>) => {
      this.latest = JSON.parse(event.data) as T
      this.listeners.forEach((listener) => {
        listener()
      })
    }
    source.onerror = () => {
      // The browser tries again by itself unless the answer was a refusal; then we do, as a session may come back.
      if (source.readyState !== EventSource.CLOSED) return
      clearTimeout(this.retryTimer)
      this.retryTimer = setTimeout(() => {
        if (this.listeners.size > 0) this.open()
      }, this.retryMs)
    }
  }

  private close(): void {
    clearTimeout(this.retryTimer)
    this.source?.close()
    this.source = null
    this.latest = null
  }
}

const channels = new Map<string, LiveChannel<unknown>>()

/** The channel of this name: "bench-3" or "experiment-7". */
export function liveChannel<T>(name: string): LiveChannel<T> {
  let channel = channels.get(name)
  if (channel === undefined) {
    channel = new LiveChannel<unknown>(`/live/${name}`)
    channels.set(name, channel)
  }
  return channel as LiveChannel<T>
}
