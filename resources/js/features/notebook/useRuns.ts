import { api } from '../../lib/api/client'
import type { PlanRange, Plan, Row } from '../../lib/api/types'
import { useChange } from './useChange'

export function useStartRun(experimentId: number) {
  return useChange<{ benchId: number }>(experimentId, (body, header) =>
    api.POST('/api/experiments/{experiment}/runs', { params: { path: { experiment: experimentId }, header }, body }),
  )
}

export interface ReadingRequest {
  step: Row['step']
  replaces?: number
  takeAnyway?: boolean
}

/** What can be done to a run. */
export function useRunActions(runId: number, experimentId: number) {
  const path = { run: runId }
  return {
    takeReading: useChange<ReadingRequest>(experimentId, (body, header) =>
      api.POST('/api/runs/{run}/readings', { params: { path, header }, body }),
    ),
    change: useChange<
      { plan: Plan } | { refine: PlanRange } | { name?: string; condition?: string; trial?: number | null }
    >(experimentId, (body, header) => api.PATCH('/api/runs/{run}', { params: { path, header }, body })),
    finish: useChange(experimentId, (_, header) => api.POST('/api/runs/{run}/finish', { params: { path, header } })),
    reopen: useChange(experimentId, (_, header) => api.POST('/api/runs/{run}/reopen', { params: { path, header } })),
    throwAway: useChange(experimentId, (_, header) => api.DELETE('/api/runs/{run}', { params: { path, header } })),
    removeReading: useChange<number>(experimentId, (reading, header) =>
      api.DELETE('/api/runs/{run}/readings/{reading}', { params: { path: { ...path, reading }, header } }),
    ),
    setAside: useChange<{ readings: number[]; reason: string | null }>(experimentId, (body, header) =>
      api.PUT('/api/runs/{run}/set-aside', { params: { path, header }, body }),
    ),
  }
}
