import { useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: async () => (await answerOf(api.GET('/api/session'))).user,
    staleTime: 60_000,
  })
}
