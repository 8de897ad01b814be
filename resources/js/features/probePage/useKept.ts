import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import { renewProbes } from '../probes/renewProbes'

/** What may be done with calibrations that were kept. */
export function useKeptActions() {
  const client = useQueryClient()
  function onSuccess() {
    renewProbes(client)
    void client.invalidateQueries({ queryKey: ['probe-runs'] })
  }
  const setAside = useMutation({
    mutationFn: ({ id, reason }: { id: number; reason: string | null }) =>
      answerOf(
        api.PUT('/api/calibrations/{calibration}/set-aside', {
          params: { path: { calibration: id } },
          body: { reason },
        }),
      ),
    onSuccess,
  })
  const discard = useMutation({
    mutationFn: (id: number) =>
      answerOf(api.DELETE('/api/calibrations/{calibration}', { params: { path: { calibration: id } } })),
    onSuccess,
  })
  return { setAside, discard }
}

/** Sets a probe to a line that was not read with it. */
export function useAnotherLine(probeId: number) {
  const client = useQueryClient()
  const path = { probe: probeId }
  function onSuccess() {
    renewProbes(client)
  }
  const copy = useMutation({
    mutationFn: (calibrationId: number) =>
      answerOf(api.POST('/api/probes/{probe}/calibrations/copy', { params: { path }, body: { calibrationId } })),
    retry: false,
    onSuccess,
  })
  const factory = useMutation({
    mutationFn: () => answerOf(api.POST('/api/probes/{probe}/calibrations/factory', { params: { path } })),
    retry: false,
    onSuccess,
  })
  return { copy, factory }
}
