import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import type { ShelfEntry } from '../../lib/api/types'

export function useShelf() {
  return useQuery({ queryKey: ['shelf'], queryFn: () => answerOf(api.GET('/api/shelf')), staleTime: 0 })
}

export function useShelfActions() {
  const client = useQueryClient()
  function onSuccess() {
    void client.invalidateQueries({ queryKey: ['shelf'] })
  }
  const keep = useMutation({
    mutationFn: ({ id, entry }: { id: number | null; entry: ShelfEntry }) =>
      answerOf(
        id === null
          ? api.POST('/api/shelf', { body: entry })
          : api.PATCH('/api/shelf/{standard}', { params: { path: { standard: id } }, body: entry }),
      ),
    retry: false,
    onSuccess,
  })
  const remove = useMutation({
    mutationFn: (id: number) => answerOf(api.DELETE('/api/shelf/{standard}', { params: { path: { standard: id } } })),
    onSuccess,
  })
  const restore = useMutation({
    mutationFn: (id: number) =>
      answerOf(api.POST('/api/shelf/{standard}/restore', { params: { path: { standard: id } } })),
    onSuccess,
  })
  return { keep, remove, restore }
}
