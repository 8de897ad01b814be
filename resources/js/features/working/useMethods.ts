import { useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

/** What methods there are, each with what it takes and gives. */
export function useMethods() {
  return useQuery({ queryKey: ['methods'], queryFn: () => answerOf(api.GET('/api/methods')), staleTime: Infinity })
}
