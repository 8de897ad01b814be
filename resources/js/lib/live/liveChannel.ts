/**
 * Messages of one live channel, or of several over one connection, shared by all who listen in this tab.
 *
 * What they come to is kept as one state; a message is folded into it.
 */
export class LiveChannel<M, S> {
  private source: EventSource | null = null
  private readonly listeners = new Set<() => void>()
  private state: S | null = null
  private retryTimer: ReturnType<typeof setTimeout> | undefined

  constructor(
    private readonly url: string,
    private readonly fold: (state: S | null, message: M) => S,
    private readonly retryMs = 1000,
  ) {}

  get value(): S | null {
    return this.state
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    if (this.listeners.size === 1) this.open()
    return () => {
      this.listeners.delete(listener)
      if (this.listeners.size === 0) this.close()
    }
  }

  private open(): void {
    const source = new EventSource(this.url)
    this.source = source
    source.onmessage = (event: MessageEvent<string>) => {
      this.state = this.fold(this.state, JSON.parse(event.data) as M)
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
    this.state = null
  }
}
