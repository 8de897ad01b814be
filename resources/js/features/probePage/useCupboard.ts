import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import { renewProbes } from '../probes/renewProbes'

/** Puts a probe away that has gone for good, and brings it back. */
export function useCupboard(probeId: number) {
  const client = useQueryClient()
  const path = { probe: probeId }
  function onSuccess() {
    renewProbes(client)
  }
  const putAway = useMutation({
    mutationFn: () => answerOf(api.POST('/api/probes/{probe}/put-away', { params: { path } })),
    onSuccess,
  })
  const bringBack = useMutation({
    mutationFn: () => answerOf(api.POST('/api/probes/{probe}/bring-back', { params: { path } })),
    onSuccess,
  })
  return { putAway, bringBack }
}
