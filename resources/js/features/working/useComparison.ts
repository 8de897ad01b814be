import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import type { Comparison } from '../../lib/api/types'
import { renewProbes } from '../calibration/useCalibration'

/** The results of a run by several calibrations, and what may be done with them. */
export function useComparison(runId: number) {
  const client = useQueryClient()
  const path = { run: runId }
  const comparison = useQuery({
    queryKey: ['comparison', runId],
    queryFn: () => answerOf(api.GET('/api/runs/{run}/comparison', { params: { path } })),
    staleTime: 0,
  })
  function onSuccess(now: Comparison) {
    client.setQueryData(['comparison', runId], now)
    renewProbes(client)
    void client.invalidateQueries({ queryKey: ['probe-runs'] })
  }
  const add = useMutation({
    mutationFn: (calibrationId: number) =>
      answerOf(api.POST('/api/runs/{run}/comparison', { params: { path }, body: { calibrationId } })),
    onSuccess,
  })
  const putInForce = useMutation({
    mutationFn: (reworkingId: number | null) =>
      answerOf(api.PUT('/api/runs/{run}/comparison', { params: { path }, body: { reworkingId } })),
    onSuccess,
  })
  return { comparison, add, putInForce }
}
