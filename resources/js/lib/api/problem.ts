/** Why the server did not do what was asked, in words to show. */
export class Problem extends Error {
  private constructor(
    readonly status: number,
    readonly code: string,
    detail: string,
    readonly errors: Readonly<Record<string, readonly string[]>>,
  ) {
    super(detail)
    this.name = 'Problem'
  }

  static from(status: number, body: unknown): Problem {
    const details = (typeof body === 'object' && body !== null ? body : {}) as Record<string, unknown>
    return new Problem(
      status,
      typeof details.code === 'string' ? details.code : 'unexpected',
      typeof details.detail === 'string'
        ? details.detail
        : 'The server gave no clear answer. What is stored is safe; try again.',
      (details.errors ?? {}) as Record<string, string[]>,
    )
  }

  static offline(): Problem {
    return new Problem(
      0,
      'offline',
      'The connection to Welkion is interrupted. What is stored is safe; try again once it is back.',
      {},
    )
  }

  /** Worth trying again by itself: the other side is only away for a moment. */
  get isPassing(): boolean {
    return this.status === 0 || this.status === 503
  }
}

export function sentenceOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong. Try again.'
}
