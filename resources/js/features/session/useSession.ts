import { useQuery } from '@tanstack/react-query'
import { signedOut } from '../../lib/api/signedOut'
import type { User } from '../../lib/api/types'
import { answerOf, api } from '../../lib/api/client'

export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: async ({ client }) => {
      const { user } = await answerOf(api.GET('/api/session'))
      const before = client.getQueryData<User | null>(['session']) ?? null
      if (user !== null || before === null) return user
      // It ran out while a page was open, which stays: signing in again is asked for over it.
      signedOut.mark()
      return before
    },
    staleTime: 60_000,
  })
}
