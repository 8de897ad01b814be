import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import type { PlanRange, Run } from '../../lib/api/types'
import { uuid } from '../../lib/uuid'

export function useRun(runId: number | null) {
  return useQuery({
    queryKey: ['run', runId],
    queryFn: () => answerOf(api.GET('/api/runs/{run}', { params: { path: { run: runId ?? 0 } } })),
    enabled: runId !== null,
  })
}

function useKeepRun(experimentId: number) {
  const client = useQueryClient()
  return (run: Run) => {
    client.setQueryData(['run', run.id], run)
    // The working first: it is what one looks at.
    void client
      .invalidateQueries({ queryKey: ['working', experimentId] })
      .then(() => client.invalidateQueries({ queryKey: ['experiment', experimentId] }))
  }
}

export function useStartRun(experimentId: number) {
  const onSuccess = useKeepRun(experimentId)
  return useMutation({
    mutationFn: () =>
      answerOf(api.POST('/api/experiments/{experiment}/runs', { params: { path: { experiment: experimentId } } })),
    onSuccess,
  })
}

export interface ReadingRequest {
  key: string
  volume: number
  replaces?: number
  takeAnyway?: boolean
}

export function readingRequest(volume: number, more: Omit<ReadingRequest, 'key' | 'volume'> = {}): ReadingRequest {
  return { key: uuid(), volume, ...more }
}

/** What can be done to a run; each answers with the run as it then stands. */
export function useRunActions(runId: number, experimentId: number) {
  const onSuccess = useKeepRun(experimentId)
  const path = { run: runId }
  const takeReading = useMutation({
    mutationFn: (body: ReadingRequest) => answerOf(api.POST('/api/runs/{run}/readings', { params: { path }, body })),
    onSuccess,
  })
  const changePlan = useMutation({
    mutationFn: (body: { plan: PlanRange[] } | { refine: PlanRange }) =>
      answerOf(api.PATCH('/api/runs/{run}', { params: { path }, body })),
    onSuccess,
  })
  const finish = useMutation({
    mutationFn: () => answerOf(api.POST('/api/runs/{run}/finish', { params: { path } })),
    onSuccess,
  })
  const reopen = useMutation({
    mutationFn: () => answerOf(api.POST('/api/runs/{run}/reopen', { params: { path } })),
    onSuccess,
  })
  return { takeReading, changePlan, finish, reopen }
}

/** What can be done to a reading that is there. */
export function useReadingActions(experimentId: number) {
  const onSuccess = useKeepRun(experimentId)
  const setAside = useMutation({
    mutationFn: ({ id, reason }: { id: number; reason: string | null }) =>
      answerOf(
        api.PATCH('/api/readings/{reading}', { params: { path: { reading: id } }, body: { setAsideReason: reason } }),
      ),
    onSuccess,
  })
  const remove = useMutation({
    mutationFn: (id: number) => answerOf(api.DELETE('/api/readings/{reading}', { params: { path: { reading: id } } })),
    onSuccess,
  })
  const restore = useMutation({
    mutationFn: (id: number) =>
      answerOf(api.POST('/api/readings/{reading}/restore', { params: { path: { reading: id } } })),
    onSuccess,
  })
  return { setAside, remove, restore }
}
