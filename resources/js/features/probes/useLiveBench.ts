import { useQueryClient, type QueryClient } from '@tanstack/react-query'
import { createContext, useCallback, useContext, useEffect, useMemo, useSyncExternalStore } from 'react'
import type { LiveBench, LiveProbe } from '../../lib/api/types'
import { benchChannel, together, type BenchChannel } from '../../lib/live/channels'

/** The connection that a page with many benches shares among its parts. */
export const SharedBenchChannel = createContext<BenchChannel | null>(null)

export function useBenchChannel(benchId: number, besideId: number | null = null): BenchChannel {
  const shared = useContext(SharedBenchChannel)
  return useMemo(
    () => shared ?? benchChannel(besideId === null ? [benchId] : [benchId, besideId]),
    [shared, benchId, besideId],
  )
}

const RENEWED_AFTER_MS = 40

/** What the bench shows right now; null until the first message. */
export function useLiveBench(benchId: number): LiveBench | null {
  return useLiveBenches(benchId, null).live
}

/** What two benches show that feed one run: the state of the first with the probes of both, and the second alone. */
export function useLiveBenches(benchId: number, besideId: number | null) {
  const channel = useBenchChannel(benchId, besideId)
  const [bench, beside] = [useValue(channel, benchId), useValue(channel, besideId)]
  useNewsOf(bench)
  useNewsOf(beside)
  return { live: useMemo(() => together(bench, beside), [bench, beside]), beside }
}

function useValue(channel: BenchChannel, benchId: number | null): LiveBench | null {
  const snapshot = useCallback(
    () => (benchId === null ? null : (channel.value?.get(benchId) ?? null)),
    [channel, benchId],
  )
  return useSyncExternalStore(channel.subscribe, snapshot)
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
