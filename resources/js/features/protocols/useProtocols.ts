import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import { uuid } from '../../lib/uuid'

const KEY = ['protocols'] as const

export function useProtocols() {
  return useQuery({ queryKey: KEY, queryFn: () => answerOf(api.GET('/api/protocols')), staleTime: 60_000 })
}

/** A file is read in, or an own protocol is removed. */
export function useOwnProtocols() {
  const client = useQueryClient()
  const onSuccess = () => client.invalidateQueries({ queryKey: KEY })
  const read = useMutation({
    mutationFn: async (file: File) => {
      const text = await file.text()
      return answerOf(
        api.POST('/api/protocols', { params: { header: { 'Request-Key': uuid() } }, body: { file: text } }),
      )
    },
    onSuccess,
  })
  const remove = useMutation({
    mutationFn: (protocol: string) =>
      answerOf(api.DELETE('/api/protocols/{protocol}', { params: { path: { protocol } } })),
    onSuccess,
  })
  return { read, remove }
}
