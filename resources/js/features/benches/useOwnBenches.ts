import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

export interface BenchPlace {
  name: string
  host: string
  port: number
}

/** Benches that were put away. */
export function useBenchesPutAway() {
  return useQuery({
    queryKey: ['benches', 'put away'],
    queryFn: () => answerOf(api.GET('/api/benches', { params: { query: { putAway: true } } })),
  })
}

/** Connecting, naming and putting away benches. */
export function useOwnBenches() {
  const client = useQueryClient()
  const onSuccess = () => client.invalidateQueries({ queryKey: ['benches'] })
  const place = (bench: number) => ({ params: { path: { bench } } })
  return {
    attempt: useMutation({ mutationFn: (body: BenchPlace) => answerOf(api.POST('/api/benches/try', { body })) }),
    add: useMutation({ mutationFn: (body: BenchPlace) => answerOf(api.POST('/api/benches', { body })), onSuccess }),
    rename: useMutation({
      mutationFn: ({ id, name }: { id: number; name: string }) =>
        answerOf(api.PUT('/api/benches/{bench}/name', { ...place(id), body: { name } })),
      onSuccess,
    }),
    putAway: useMutation({
      mutationFn: (id: number) => answerOf(api.POST('/api/benches/{bench}/put-away', place(id))),
      onSuccess,
    }),
    bringBack: useMutation({
      mutationFn: (id: number) => answerOf(api.POST('/api/benches/{bench}/bring-back', place(id))),
      onSuccess,
    }),
  }
}
