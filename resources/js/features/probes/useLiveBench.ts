import { useQueryClient, type QueryClient } from '@tanstack/react-query'
import { createContext, useCallback, useContext, useEffect, useMemo, useSyncExternalStore } from 'react'
import type { LiveBench, LiveProbe } from '../../lib/api/types'
import { benchChannel, type BenchChannel } from '../../lib/live/channels'

/** The connection that a page with many benches shares among its parts. */
export const SharedBenchChannel = createContext<BenchChannel | null>(null)

export function useBenchChannel(benchId: number): BenchChannel {
  const shared = useContext(SharedBenchChannel)
  return useMemo(() => shared ?? benchChannel([benchId]), [shared, benchId])
}

const RENEWED_AFTER_MS = 40

/** What the bench shows right now; null until the first message. */
export function useLiveBench(benchId: number): LiveBench | null {
  const channel = useBenchChannel(benchId)
  const snapshot = useCallback(() => channel.value?.get(benchId) ?? null, [channel, benchId])
  const live = useSyncExternalStore(channel.subscribe, snapshot)
  useNewsOf(live)
  return live
}

/** Asks for the bench again when a probe, a plug, a calibration or a zero has changed. */
function useNewsOf(live: LiveBench | null): void {
  const client = useQueryClient()
  const revision = live?.revision
  useEffect(() => {
    if (revision !== undefined) renewSoon(client)
  }, [client, revision])
}

const renewing = new WeakSet<QueryClient>()

/** Four benches that speak up at the same moment are asked for once, not four times. */
function renewSoon(client: QueryClient): void {
  if (renewing.has(client)) return
  renewing.add(client)
  setTimeout(() => {
    renewing.delete(client)
    for (const key of ['bench', 'benches', 'probe', 'calibrations', 'rows']) {
      void client.invalidateQueries({ queryKey: [key] })
    }
  }, RENEWED_AFTER_MS)
}

export function liveProbe(live: LiveBench | null, probeId: number | undefined): LiveProbe | null {
  return live?.probes.find((probe) => probe.id === probeId) ?? null
}
