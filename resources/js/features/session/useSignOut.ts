import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

export function useSignOut() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: () => answerOf(api.DELETE('/api/session')),
    onSuccess: () => {
      client.clear()
      client.setQueryData(['session'], null)
    },
  })
}
