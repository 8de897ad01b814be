import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useOutletContext } from 'react-router'
import { answerOf, api } from '../../lib/api/client'
import type { Notebook } from '../../lib/api/types'

export const notebookKey = (experimentId: number) => ['notebook', experimentId] as const
export const workedKey = (experimentId: number) => ['worked', experimentId] as const
export const rowsKey = (runId: number) => ['rows', runId] as const

export function useNotebookQuery(experimentId: number) {
  return useQuery({
    queryKey: notebookKey(experimentId),
    queryFn: () =>
      answerOf(api.GET('/api/experiments/{experiment}', { params: { path: { experiment: experimentId } } })),
  })
}

/** All lines of working, worked out. */
export function useWorked(experimentId: number) {
  return useQuery({
    queryKey: workedKey(experimentId),
    queryFn: () =>
      answerOf(api.GET('/api/experiments/{experiment}/worked', { params: { path: { experiment: experimentId } } })),
    staleTime: 60_000,
  })
}

/** One row a run, with each column by condition, as it is at this revision. */
export function useRunsTable(experimentId: number, revision: number, isWanted = true) {
  return useQuery({
    queryKey: ['runs-table', experimentId, revision],
    queryFn: () =>
      answerOf(api.GET('/api/experiments/{experiment}/runs-table', { params: { path: { experiment: experimentId } } })),
    enabled: isWanted,
    staleTime: Infinity,
    // Until the next one has come the last one stays.
    placeholderData: keepPreviousData,
  })
}

/** A run that is on a screen is asked for now and then, so that it is known to be watched. */
const WATCHED_EACH_MS = 10 * 60_000

/** The rows of a run. */
export function useRunRows(runId: number | null) {
  return useQuery({
    queryKey: rowsKey(runId ?? 0),
    queryFn: () => answerOf(api.GET('/api/runs/{run}', { params: { path: { run: runId ?? 0 } } })),
    enabled: runId !== null,
    staleTime: 30_000,
    refetchInterval: WATCHED_EACH_MS,
  })
}

/** The notebook whose stage this is. */
export function useNotebook(): Notebook {
  return useOutletContext<Notebook>()
}
