/** So much longer than a drawing took, the page is free for all else. */
const REST_SHARE = 2

const NEVER_DRAWN = -Infinity

/**
 * Draws at the pace of this computer: what comes while it is still busy with the last drawing takes the place of what came before, so
 * that nothing queues.
 */
export class Pace {
  private frame: number | null = null
  private timer: ReturnType<typeof setTimeout> | null = null
  private freeAt = NEVER_DRAWN

  /** @param paint draws the newest of what is wanted */
  constructor(private readonly paint: () => void) {}

  /** Once the page had time for all else. */
  whenFree(): void {
    if (this.frame !== null || this.timer !== null) return
    if (this.freeAt === NEVER_DRAWN) {
      // The first drawing is slow because all is new, and mostly empty: what it was made for must not wait for it.
      this.paint()
      this.freeAt = performance.now()
      return
    }
    // Numbers that changed with a figure are painted before it is drawn anew: they are what is waited for.
    this.frame = requestAnimationFrame(() => {
      this.frame = null
      this.timer = setTimeout(
        () => {
          this.timer = null
          const began = performance.now()
          this.paint()
          const now = performance.now()
          this.freeAt = now + REST_SHARE * (now - began)
        },
        Math.max(0, this.freeAt - performance.now()),
      )
    })
  }

  /** What a hand moves: who moves it looks at nothing else. */
  atOnce(): void {
    this.stop()
    this.paint()
    this.freeAt = performance.now()
  }

  /** Draws nothing more of what was wanted. */
  stop(): void {
    if (this.frame !== null) cancelAnimationFrame(this.frame)
    if (this.timer !== null) clearTimeout(this.timer)
    this.frame = null
    this.timer = null
  }
}
