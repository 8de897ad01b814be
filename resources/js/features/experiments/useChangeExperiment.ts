import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import type { paths } from '../../lib/api/schema'

export type ExperimentChange =
  paths['/api/experiments/{experiment}']['patch']['requestBody']['content']['application/json']

export function useChangeExperiment(experimentId: number) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (body: ExperimentChange) =>
      answerOf(api.PATCH('/api/experiments/{experiment}', { params: { path: { experiment: experimentId } }, body })),
    onSuccess: (experiment) => {
      client.setQueryData(['experiment', experimentId], experiment)
      void client.invalidateQueries({ queryKey: ['working', experimentId] })
    },
  })
}
