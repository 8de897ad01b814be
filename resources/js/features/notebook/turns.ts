/** By experiment: what was begun last, one thing after the other. */
const last = new Map<number, Promise<unknown>>()

/**
 * Does something once all that was begun before it is done: cells go to the server in the order they were typed, and a way
 * back takes back the last of them, not what was there before it arrived.
 */
export function inTurn<Result>(experimentId: number, act: () => Promise<Result>): Promise<Result> {
  const turn = (last.get(experimentId) ?? Promise.resolve()).then(act, act)
  last.set(experimentId, turn)
  return turn
}
