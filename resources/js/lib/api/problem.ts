/** Why the server did not do what was asked, in words to show. */
export class Problem extends Error {
  private constructor(
    readonly status: number,
    readonly code: string,
    detail: string,
    readonly errors: Readonly<Record<string, readonly string[]>>,
    /** What was asked for, as "/api/runs/1/readings". */
    readonly place: string,
  ) {
    super(detail)
    this.name = 'Problem'
  }

  static from(status: number, body: unknown, place = ''): Problem {
    const details = (typeof body === 'object' && body !== null ? body : {}) as Record<string, unknown>
    return new Problem(
      status,
      typeof details.code === 'string' ? details.code : 'unexpected',
      typeof details.detail === 'string'
        ? details.detail
        : 'The server gave no clear answer. What is stored is safe; try again.',
      (details.errors ?? {}) as Record<string, string[]>,
      place,
    )
  }

  static offline(place = ''): Problem {
    return new Problem(
      0,
      'offline',
      'The connection to Welkion is interrupted. What is stored is safe; try again once it is back.',
      {},
      place,
    )
  }

  /** A rule of the job forbids it, and says why; signing in again would not change that. */
  get isRefusal(): boolean {
    return this.status >= 400 && this.status < 500 && this.status !== 401 && this.status !== 419
  }

  /** Worth trying again by itself: the other side is only away for a moment. */
  get isPassing(): boolean {
    return this.status === 0 || this.status === 503
  }
}

export function sentenceOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong. Try again.'
}
