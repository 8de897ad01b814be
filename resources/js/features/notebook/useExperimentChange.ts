import { api } from '../../lib/api/client'
import type { paths } from '../../lib/api/schema'
import { useChange } from './useChange'

type Body = paths['/api/experiments/{experiment}']['patch']['requestBody']['content']['application/json']

/** Title, aim, conclusion, bench or plan. */
export function useExperimentChange(experimentId: number) {
  return useChange<Body>(experimentId, (body, header) =>
    api.PATCH('/api/experiments/{experiment}', { params: { path: { experiment: experimentId }, header }, body }),
  )
}
