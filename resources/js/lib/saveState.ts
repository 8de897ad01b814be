export type SaveState =
  | { status: 'idle' }
  | { status: 'keeping' }
  /** It could not be kept yet and is tried again by itself. */
  | { status: 'waiting' }
  | { status: 'kept'; at: Date }
  | { status: 'failed'; sentence: string }

/**
 * Whether what was last done is in the database. One store for the whole page. What failed stays told until the same thing
 * is kept, whatever else is kept meanwhile, or until somebody has read it.
 */
class SaveStore {
  private state: SaveState = { status: 'idle' }
  private pending = 0
  private keptAt: Date | null = null
  private readonly failures = new Map<string, string>()
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

  /** The same thing that failed before is stored now. */
  stored(what: string): void {
    this.failures.delete(what)
  }

  succeed(): void {
    this.keptAt = new Date()
    this.end()
  }

  /** A rule forbade it, and that is said at its place: nothing is others than before. */
  refuse(): void {
    this.end()
  }

  wait(): void {
    this.change({ status: 'waiting' })
  }

  /** @param what  which thing it was, so that its failure is forgotten once it is stored */
  fail(what: string, sentence: string): void {
    this.failures.set(what, sentence)
    this.end()
  }

  /** Somebody has read what failed. */
  forgive(): void {
    this.failures.clear()
    this.settle()
  }

  private end(): void {
    this.pending--
    this.settle()
  }

  private settle(): void {
    if (this.pending > 0) return
    const sentence = [...this.failures.values()].at(-1)
    if (sentence !== undefined) this.change({ status: 'failed', sentence })
    else this.change(this.keptAt === null ? { status: 'idle' } : { status: 'kept', at: this.keptAt })
  }

  private change(state: SaveState): void {
    this.state = state
    this.listeners.forEach((listener) => {
      listener()
    })
  }
}

export const saveStore = new SaveStore()
