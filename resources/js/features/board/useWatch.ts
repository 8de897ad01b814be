import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'

/** How often the number of onlookers is asked for. */
const COUNTED_EACH_MS = 4000

const watchKey = (experimentId: number) => ['watch', experimentId] as const

/** Which live values belong on the board, and whether it is open to others. */
export function useWatch(experimentId: number, revision: number) {
  return useQuery({
    queryKey: [...watchKey(experimentId), revision],
    queryFn: () =>
      answerOf(api.GET('/api/experiments/{experiment}/watch', { params: { path: { experiment: experimentId } } })),
    placeholderData: (before) => before,
    refetchInterval: ({ state }) => (state.data?.watch == null ? false : COUNTED_EACH_MS),
  })
}

export function useWatchDoor(experimentId: number) {
  const client = useQueryClient()
  const params = { path: { experiment: experimentId } }
  const onSuccess = () => client.invalidateQueries({ queryKey: watchKey(experimentId) })
  return {
    open: useMutation({
      mutationFn: () => answerOf(api.POST('/api/experiments/{experiment}/watch', { params })),
      onSuccess,
    }),
    close: useMutation({
      mutationFn: () => answerOf(api.DELETE('/api/experiments/{experiment}/watch', { params })),
      onSuccess,
    }),
  }
}
