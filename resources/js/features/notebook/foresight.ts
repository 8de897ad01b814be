import type { QueryClient } from '@tanstack/react-query'
import type { Change, Notebook } from '../../lib/api/types'
import { takeIn } from './takeIn'
import { notebookKey, rowsKey, workedKey } from './useNotebook'

/**
 * What a change would make is asked while somebody is still at it, and stands there at the press. It is a picture until the answer
 * comes: then it is taken back, so that nothing somebody else did meanwhile stays hidden behind it.
 */
export class Foresight<Input> {
  private foreseen: { revision: number; of: (asked: Input) => Change | null } | null = null
  private restore: (() => void) | null = null

  constructor(
    private readonly client: QueryClient,
    private readonly experimentId: number,
  ) {}

  /** Whatever goes wrong here, the change itself will tell of it. */
  ask(answer: Promise<Change>, become: (change: Change, asked: Input) => Change | null): void {
    answer.then(
      (change) => {
        this.foreseen = { revision: change.revision, of: (asked) => become(change, asked) }
      },
      () => undefined,
    )
  }

  show(asked: Input): void {
    const before = this.client.getQueryData<Notebook>(notebookKey(this.experimentId))
    // After any other change it is worth nothing.
    const isNext = before !== undefined && this.foreseen?.revision === before.revision + 1
    const change = isNext ? (this.foreseen?.of(asked) ?? null) : null
    this.foreseen = null
    if (change === null) return
    const keys = [
      notebookKey(this.experimentId),
      workedKey(this.experimentId),
      ...change.rows.map(({ id }) => rowsKey(id)),
    ]
    const known = keys.map((queryKey) => [queryKey, this.client.getQueryData<object>(queryKey)] as const)
    takeIn(this.client, this.experimentId, change)
    const shown = this.client.getQueryData<Notebook>(notebookKey(this.experimentId))
    this.restore = () => {
      // What was read from the server meanwhile is newer than both.
      if (this.client.getQueryData(notebookKey(this.experimentId)) !== shown) return
      for (const [queryKey, data] of known) this.client.setQueryData(queryKey, data)
    }
  }

  readonly takeBack = (): void => {
    this.restore?.()
    this.restore = null
  }
}
