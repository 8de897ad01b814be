import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import type { Comparison } from '../../lib/api/types'
import { screenId } from '../../lib/notebook/screenId'
import { uuid } from '../../lib/uuid'
import { renewProbes } from '../probes/renewProbes'

/** The results of a run by several calibrations, and what may be done with them. */
export function useComparison(runId: number, experimentId: number) {
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
    for (const key of [
      ['notebook', experimentId],
      ['worked', experimentId],
      ['rows', runId],
    ]) {
      void client.invalidateQueries({ queryKey: key })
    }
  }
  const add = useMutation({
    mutationFn: (calibrationId: number) =>
      answerOf(api.POST('/api/runs/{run}/comparison', { params: { path }, body: { calibrationId } })),
    onSuccess,
  })
  const putInForce = useMutation({
    mutationFn: ({ reworkingId, key }: { reworkingId: number | null; key: string }) =>
      answerOf(
        api.PUT('/api/runs/{run}/comparison', {
          params: { path, header: { 'Request-Key': key, Screen: screenId } },
          body: { reworkingId },
        }),
      ),
    onSuccess,
  })
  return {
    comparison,
    add,
    putInForce: {
      error: putInForce.error,
      act: (reworkingId: number | null) => {
        putInForce.mutate({ reworkingId, key: uuid() })
      },
    },
  }
}
