import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { answerOf, api } from '../../lib/api/client'
import { Problem } from '../../lib/api/problem'
import type { Watched } from '../../lib/api/types'
import { together, watchChannel } from '../../lib/live/channels'

/** A class of onlookers does not ask all in the same moment. */
const SPREAD_MS = 800
/** A device that slept while the board was closed finds out by itself. */
const ASKED_EACH_MS = 30_000
const BOARD_CLOSED = 410

const watchedKey = (watchId: number) => ['watched', watchId] as const

/** Lets this device in by a code. */
export function useEnter(onEntered: (watched: Watched) => void) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (code: string) => answerOf(api.POST('/api/watch', { body: { code } })),
    onSuccess: (watched) => {
      client.setQueryData(watchedKey(watched.watchId), watched)
      onEntered(watched)
    },
  })
}

/** What is on a board that this device was let in to. */
export function useWatched(first: Watched) {
  const { watchId } = first
  const watched = useQuery({
    queryKey: watchedKey(watchId),
    queryFn: () => answerOf(api.GET('/api/watch/{watch}', { params: { path: { watch: watchId } } })),
    initialData: first,
    staleTime: Infinity,
    refetchInterval: ASKED_EACH_MS,
  })
  return {
    data: watched.data,
    isClosed: watched.error instanceof Problem && watched.error.status === BOARD_CLOSED,
  }
}

/** A run on the board. */
export function useWatchedRun(watchId: number, runId: number | null, revision: number) {
  return useQuery({
    queryKey: ['watched run', watchId, runId, revision],
    queryFn: () =>
      answerOf(api.GET('/api/watch/{watch}/runs/{run}', { params: { path: { watch: watchId, run: runId ?? 0 } } })),
    enabled: runId !== null,
    placeholderData: (before) => (before?.id === runId ? before : undefined),
  })
}

/** Live values, and whether the board is still open. */
export function useWatchedLive({ watchId, notebook, benchId, besideId }: Watched) {
  const client = useQueryClient()
  const benchIds = [benchId, besideId].filter((id) => id !== null)
  const names = benchIds.join(',')
  const [channel, setChannel] = useState(() => watchChannel(watchId, notebook.id, benchIds))
  const [of, setOf] = useState(names)
  if (of !== names) {
    setOf(names)
    setChannel(watchChannel(watchId, notebook.id, benchIds))
  }
  const state = useSyncExternalStore(channel.subscribe, () => channel.value)
  const revision = state?.revision ?? 0
  const isBehind = revision > notebook.revision
  useEffect(() => {
    if (!isBehind) return
    const timer = setTimeout(() => {
      void client.invalidateQueries({ queryKey: watchedKey(watchId) })
    }, Math.random() * SPREAD_MS)
    return () => {
      clearTimeout(timer)
    }
  }, [client, watchId, isBehind, revision])
  const [bench, beside] = [benchId, besideId].map((id) => (id === null ? null : (state?.benches?.get(id) ?? null)))
  const live = useMemo(() => together(bench ?? null, beside ?? null), [bench, beside])
  return {
    live,
    isClosed: state?.isClosed ?? false,
  }
}
