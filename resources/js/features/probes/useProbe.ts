import { useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

export function useProbe(probeId: number) {
  return useQuery({
    queryKey: ['probe', probeId],
    queryFn: () => answerOf(api.GET('/api/probes/{probe}', { params: { path: { probe: probeId } } })),
  })
}
