import { useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import type { Notebook } from '../../lib/api/types'
import { untilAnswered, useChange } from '../notebook'

export function useWays(notebook: Notebook, run: number, x: string, y: string) {
  const queryKey = ['ways', run, x, y, notebook.revision]
  return useQuery({
    queryKey,
    placeholderData: untilAnswered(queryKey),
    queryFn: ({ signal }) =>
      answerOf(api.GET('/api/runs/{run}/ways', { params: { path: { run }, query: { x, y } }, signal })),
    retry: false,
  })
}

export function useTakeWay(experiment: number) {
  return useChange<{ run: number; x: string; y: string; relation: string; hasLine: boolean }>(
    experiment,
    ({ run, ...body }, header) => api.POST('/api/runs/{run}/ways', { params: { path: { run }, header }, body }),
  )
}
