import type { ReactNode } from 'react'
import type { Bench, LiveBench } from '../../lib/api/types'
import { BenchLost } from './BenchLost'
import { ProbeCard } from './ProbeCard'
import { liveProbe } from './useLiveBench'

interface ProbeShelfProps {
  bench: Bench
  live: LiveBench | null
  shows: 'raw' | 'value'
  selectedProbeIds: readonly number[]
  /** Further cards, as the burette's. */
  children?: ReactNode
}

export function ProbeShelf({ bench, live, shows, selectedProbeIds, children }: ProbeShelfProps) {
  const isLost = live !== null && !live.isConnected
  return (
    <section aria-label={`Probes of bench ${bench.name}`} className="px-5 pt-3">
      {isLost ? (
        <BenchLost benchName={bench.name} live={live} />
      ) : (
        <ul className="grid grid-cols-[repeat(auto-fit,minmax(12.5rem,1fr))] gap-3">
          {bench.probes.map((probe) => (
            <ProbeCard
              key={probe.id}
              probe={probe}
              live={liveProbe(live, probe.id)}
              shows={selectedProbeIds.includes(probe.id) ? shows : 'value'}
              isSelected={selectedProbeIds.includes(probe.id)}
            />
          ))}
          {children}
        </ul>
      )}
    </section>
  )
}
