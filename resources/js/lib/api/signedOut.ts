/**
 * Whether the sign-in has run out while a page was open. The page stays as it is, with what is typed into it; what was being
 * changed waits, and is sent once somebody has signed in again.
 */
class SignedOut {
  private isOut = false
  private waiting: (() => void)[] = []
  private readonly listeners = new Set<() => void>()

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => {
      this.listeners.delete(listener)
    }
  }

  readonly snapshot = (): boolean => this.isOut

  mark(): void {
    this.change(true)
  }

  untilBack(): Promise<void> {
    this.mark()
    return new Promise((resolve) => {
      this.waiting.push(resolve)
    })
  }

  cameBack(): void {
    const waiting = this.waiting
    this.waiting = []
    this.change(false)
    waiting.forEach((resolve) => {
      resolve()
    })
  }

  private change(isOut: boolean): void {
    if (this.isOut === isOut) return
    this.isOut = isOut
    this.listeners.forEach((listener) => {
      listener()
    })
  }
}

export const signedOut = new SignedOut()
