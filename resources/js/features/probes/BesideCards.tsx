import type { LiveBench } from '../../lib/api/types'
import { ProbeCard } from './ProbeCard'
import { useBench } from './useBench'
import { liveProbe } from './useLiveBench'

interface BesideCardsProps {
  benchId: number
  live: LiveBench | null
  /** Those that matter here. */
  probeIds: readonly number[]
}

/** Probes of a second bench among those of the first. */
export function BesideCards({ benchId, live, probeIds }: BesideCardsProps) {
  const bench = useBench(benchId)
  return (bench.data?.probes ?? [])
    .filter(({ id }) => probeIds.includes(id))
    .map((probe) => (
      <ProbeCard
        key={probe.id}
        probe={probe}
        live={liveProbe(live, probe.id)}
        shows="value"
        isSelected
        at={bench.data?.name ?? ''}
      />
    ))
}
