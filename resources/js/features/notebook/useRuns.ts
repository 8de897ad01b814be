import { useMutation } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import type { PlanRange, Plan, Row, TimedPlan } from '../../lib/api/types'
import { useChange } from './useChange'
import { IN_TURN } from './useUndo'

/** All rows of a long run whose value of a column lies between two. */
export interface Within {
  columnId: number
  from: number
  to: number
}

export function useStartRun(experimentId: number) {
  return useChange<{ benchId: number } | { kind: 'typed' }>(experimentId, (body, header) =>
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
      | { plan: Plan | TimedPlan }
      | { refine: PlanRange }
      | { name?: string; condition?: string; trial?: number | null; aside?: string | null }
    >(experimentId, (body, header) => api.PATCH('/api/runs/{run}', { params: { path, header }, body })),
    finish: useChange(experimentId, (_, header) => api.POST('/api/runs/{run}/finish', { params: { path, header } })),
    reopen: useChange(experimentId, (_, header) => api.POST('/api/runs/{run}/reopen', { params: { path, header } })),
    goOn: useChange<{ more: number | null }>(experimentId, (body, header) =>
      api.POST('/api/runs/{run}/go-on', { params: { path, header }, body }),
    ),
    dropMarker: useChange<{ at: number | null; name?: string } | { row: number; name: string }>(
      experimentId,
      (body, header) => api.POST('/api/runs/{run}/markers', { params: { path, header }, body }),
    ),
    changeMarker: useChange<{ id: number; name?: string; at?: number }>(experimentId, ({ id, ...body }, header) =>
      api.PATCH('/api/runs/{run}/markers/{marker}', { params: { path: { ...path, marker: id }, header }, body }),
    ),
    removeMarker: useChange<number>(experimentId, (marker, header) =>
      api.DELETE('/api/runs/{run}/markers/{marker}', { params: { path: { ...path, marker }, header } }),
    ),
    throwAway: useChange(experimentId, (_, header) => api.DELETE('/api/runs/{run}', { params: { path, header } })),
    removeReading: useChange<number>(experimentId, (reading, header) =>
      api.DELETE('/api/runs/{run}/readings/{reading}', { params: { path: { ...path, reading }, header } }),
    ),
    setAside: useChange<{ readings?: number[]; within?: Within; reason: string | null }>(
      experimentId,
      (body, header) => api.PUT('/api/runs/{run}/set-aside', { params: { path, header }, body }),
      IN_TURN,
    ),
  }
}

/** What is typed into a run: cells, and the rows of a typed one. Rows are told by their numbers. */
export function useTyping(runId: number, experimentId: number) {
  const path = { run: runId }
  return {
    fill: useChange<{ row: number | null; columns: number[]; cells: (string | null)[][] }>(
      experimentId,
      (body, header) => api.PUT('/api/runs/{run}/cells', { params: { path, header }, body }),
    ),
    insert: useChange<{ count: number; before: number | null }>(experimentId, (body, header) =>
      api.POST('/api/runs/{run}/rows', { params: { path, header }, body }),
    ),
    move: useChange<{ from: number; to: number; before: number | null }>(experimentId, (body, header) =>
      api.PATCH('/api/runs/{run}/rows', { params: { path, header }, body }),
    ),
    remove: useChange<{ from: number; to: number }>(experimentId, (body, header) =>
      api.DELETE('/api/runs/{run}/rows', { params: { path, header }, body }),
    ),
  }
}

/** Puts a run before another, or at the end. */
export function useMoveRun(experimentId: number) {
  return useChange<{ run: number; before: number | null }>(experimentId, ({ run, before }, header) =>
    api.PATCH('/api/runs/{run}', { params: { path: { run }, header }, body: { before } }),
  )
}

/** A timed run that waits begins now; what comes of it is news like any other. */
export function useBeginRun(runId: number) {
  return useMutation({
    mutationFn: () => answerOf(api.POST('/api/runs/{run}/begin', { params: { path: { run: runId } } })),
  })
}
