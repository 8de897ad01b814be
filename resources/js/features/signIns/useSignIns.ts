import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

export function useSignIns() {
  return useQuery({ queryKey: ['sign-ins'], queryFn: () => answerOf(api.GET('/api/sign-ins')) })
}

export function useEndSignIns() {
  const client = useQueryClient()
  const onSuccess = () => client.invalidateQueries({ queryKey: ['sign-ins'] })
  const end = useMutation({
    mutationFn: (signIn: string) => answerOf(api.DELETE('/api/sign-ins/{signIn}', { params: { path: { signIn } } })),
    onSuccess,
  })
  const endOthers = useMutation({ mutationFn: () => answerOf(api.DELETE('/api/sign-ins')), onSuccess })
  return { end, endOthers }
}
