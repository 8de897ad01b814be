import { useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

export function useExperiment(experimentId: number) {
  return useQuery({
    queryKey: ['experiment', experimentId],
    queryFn: () =>
      answerOf(api.GET('/api/experiments/{experiment}', { params: { path: { experiment: experimentId } } })),
  })
}
