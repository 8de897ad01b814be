/** The same in another order, which follows from the seed alone (Fisher and Yates; numbers by Park and Miller's generator). */
export function shuffled<T>(all: readonly T[], seed: number): T[] {
  const order = [...all]
  let state = (Math.abs(Math.trunc(seed)) % 2147483646) + 1
  for (let left = order.length; left > 1; left--) {
    state = (state * 48271) % 2147483647
    const taken = state % left
    const last = order[left - 1] as T
    order[left - 1] = order[taken] as T
    order[taken] = last
  }
  return order
}
