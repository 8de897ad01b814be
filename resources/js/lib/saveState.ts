export type SaveState =
  | { status: 'idle' }
  | { status: 'keeping' }
  /** It could not be kept yet and is tried again by itself. */
  | { status: 'waiting' }
  | { status: 'kept'; at: Date }
  | { status: 'failed'; sentence: string }

/** Whether what was last done is in the database. One store for the whole page. */
class SaveStore {
  private state: SaveState = { status: 'idle' }
  private pending = 0
  private readonly listeners = new Set<() => void>()

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => {
      this.listeners.delete(listener)
    }
  }

  readonly snapshot = (): SaveState => this.state

  /** Whether leaving the page now would lose something. */
  get isKeeping(): boolean {
    return this.pending > 0
  }

  begin(): void {
    this.pending++
    this.change({ status: 'keeping' })
  }

  succeed(): void {
    this.pending--
    if (this.pending === 0) this.change({ status: 'kept', at: new Date() })
  }

  wait(): void {
    this.change({ status: 'waiting' })
  }

  fail(sentence: string): void {
    this.pending--
    this.change({ status: 'failed', sentence })
  }

  private change(state: SaveState): void {
    this.state = state
    this.listeners.forEach((listener) => {
      listener()
    })
  }
}

export const saveStore = new SaveStore()
