import { useMemo, useSyncExternalStore } from 'react'
import type { LiveBench, LiveProbe } from '../../lib/api/types'
import { liveChannel } from '../../lib/live/liveChannel'

/** What the bench shows right now; null until the first message. */
export function useLiveBench(benchId: number): LiveBench | null {
  const channel = useMemo(() => liveChannel<LiveBench>(`bench-${benchId}`), [benchId])
  return useSyncExternalStore(channel.subscribe, channel.snapshot)
}

export function liveProbe(live: LiveBench | null, probeId: number | undefined): LiveProbe | null {
  return live?.probes.find((probe) => probe.id === probeId) ?? null
}
