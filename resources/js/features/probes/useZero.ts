import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import { renewProbes } from './renewProbes'

export function useZeros(probeId: number) {
  return useQuery({
    queryKey: ['zeros', probeId],
    queryFn: () => answerOf(api.GET('/api/probes/{probe}/zeros', { params: { path: { probe: probeId } } })),
  })
}

/** Takes a zero: not repeated by itself when an answer fails to come, because each is an act of its own. */
export function useZero(probeId: number) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: () => answerOf(api.POST('/api/probes/{probe}/zeros', { params: { path: { probe: probeId } } })),
    retry: false,
    onSuccess: () => {
      renewProbes(client)
      void client.invalidateQueries({ queryKey: ['zeros'] })
    },
  })
}

export function useUndoZero() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (zeroId: number) =>
      answerOf(api.POST('/api/zeros/{zero}/undo', { params: { path: { zero: zeroId } } })),
    onSuccess: () => {
      renewProbes(client)
      void client.invalidateQueries({ queryKey: ['zeros'] })
    },
  })
}
