import type { Bench, Protocol } from '../../lib/api/types'

/** What is found out, as the library is divided, in the order lessons usually come to it. */
const FOUND_OUT: readonly (readonly [string, string])[] = [
  ['amount', 'How much is in it?'],
  ['heat', 'How much heat?'],
  ['speed', 'How fast?'],
  ['gas', 'How does a gas behave?'],
  ['body', 'What does the body do?'],
  ['law', 'Which law?'],
  ['anything', 'Something else'],
]

export interface Shelf {
  title: string
  protocols: Protocol[]
}

/** Ours by what is found out, own ones first; only those that hold what is sought. */
export function shelves(protocols: readonly Protocol[], sought: string): Shelf[] {
  const wanted = sought.trim().toLowerCase()
  const found = protocols.filter((one) =>
    [one.title, one.question, one.sentence, ...one.roles.map(({ name }) => name)].some((text) =>
      text.toLowerCase().includes(wanted),
    ),
  )
  const own = found.filter(({ isOwn }) => isOwn)
  return [
    ...(own.length === 0 ? [] : [{ title: 'Your own', protocols: own }]),
    ...FOUND_OUT.flatMap(([key, title]) => {
      const here = found.filter(({ isOwn, finds }) => !isOwn && finds === key)
      return here.length === 0 ? [] : [{ title, protocols: here }]
    }),
  ]
}

/** The benches that have all probes a protocol needs plugged in. */
export function benchesFor(protocol: Protocol, benches: readonly Bench[]): Bench[] {
  const needed = protocol.roles.filter(({ isNeeded }) => isNeeded).map(({ kind }) => kind)
  return benches.filter(({ probes }) => {
    const there = probes.filter(({ isPresent }) => isPresent).map(({ kind }): string => kind)
    return needed.every((kind) => {
      const index = there.indexOf(kind)
      if (index === -1) return false
      there.splice(index, 1)
      return true
    })
  })
}
