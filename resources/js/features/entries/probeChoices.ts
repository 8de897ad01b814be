import type { Bench, Notebook, Probe } from '../../lib/api/types'

/** A kind of probe a column can be measured by. */
export interface ProbeChoice {
  key: string
  words: string
  probe: Probe
  isBeside: boolean
}

/** Those of any quantity are told from each other by what they are called. */
function kindOf({ kind, title }: Probe): string {
  return kind === 'any-quantity' ? `${kind} ${title}` : kind
}

/** One choice for each kind there is, called as at the bench of the notebook, and one more for each kind of the bench beside. */
export function probeChoices(
  benches: readonly Bench[],
  { bench, beside }: Pick<Notebook, 'bench' | 'beside'>,
): ProbeChoice[] {
  const kinds = (of: readonly Bench[]) => [
    ...new Map(of.flatMap(({ probes }) => probes).map((probe) => [kindOf(probe), probe])).values(),
  ]
  const choice = (probe: Probe, isBeside: boolean): ProbeChoice => ({
    key: `${kindOf(probe)}${isBeside ? ' beside' : ''}`,
    words: `${probe.title} (${probe.unit})${isBeside ? ` at ${beside?.name ?? ''}` : ''}`,
    probe,
    isBeside,
  })
  const others = benches.filter(({ id }) => id === beside?.id)
  const own = benches.filter(({ id }) => id === bench?.id)
  return [
    ...kinds([...benches, ...own]).map((probe) => choice(probe, false)),
    ...kinds(others).map((probe) => choice(probe, true)),
  ]
}
