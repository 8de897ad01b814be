import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

export function useWorking(experimentId: number, runId: number | null) {
  return useQuery({
    queryKey: ['working', experimentId, runId],
    queryFn: () =>
      answerOf(
        api.GET('/api/experiments/{experiment}/working', {
          params: { path: { experiment: experimentId }, query: runId === null ? {} : { run: runId } },
        }),
      ),
    enabled: runId !== null,
    placeholderData: keepPreviousData,
    staleTime: 0,
  })
}
