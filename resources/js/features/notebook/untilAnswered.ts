import { hashKey } from '@tanstack/react-query'

/**
 * What was answered stays until the same question is answered at the next revision: what is in hand must not go away, and with
 * it what waits for an answer, because something else of the notebook has changed.
 *
 * @param key of the question, its revision last
 */
export function untilAnswered(key: readonly unknown[]) {
  return <Answer>(previous: Answer | undefined, asked: { queryKey: readonly unknown[] } | undefined) =>
    asked !== undefined && hashKey(asked.queryKey.slice(0, -1)) === hashKey(key.slice(0, -1)) ? previous : undefined
}
