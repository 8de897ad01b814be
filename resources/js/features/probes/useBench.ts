import { useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

export function useBench(benchId: number) {
  return useQuery({
    queryKey: ['bench', benchId],
    queryFn: () => answerOf(api.GET('/api/benches/{bench}', { params: { path: { bench: benchId } } })),
  })
}
