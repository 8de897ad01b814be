import { useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

export function useBenches() {
  return useQuery({ queryKey: ['benches'], queryFn: () => answerOf(api.GET('/api/benches')) })
}
