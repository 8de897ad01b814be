import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { PointNumbers } from '../../lib/api/types'

export interface AskedPoint {
  x: string
  y: string
  /** In the unit of x, as the other one. */
  at: number
  /** A change is told from there. */
  from?: number
  /** In the unit of y: where along x y has it is told. */
  height?: number
}

/** What a place of a run comes to, its tangent among it; null while none is asked for. */
export function usePointNumbers(runId: number, revision: number, wanted: AskedPoint | null): PointNumbers | null {
  const [asked, setAsked] = useState(wanted)
  const { data, isFetching } = useQuery({
    queryKey: ['point', runId, asked, revision],
    queryFn: ({ signal }) =>
      answerOf(
        api.GET('/api/runs/{run}/point', {
          params: { path: { run: runId }, query: asked ?? { x: '', y: '', at: 0 } },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    enabled: asked !== null && asked.y !== '',
    gcTime: 10_000,
  })
  // A hand is faster than any answer: one question at a time, and the next is about where the hand is then.
  if (JSON.stringify(asked) !== JSON.stringify(wanted) && !isFetching) setAsked(wanted)
  return wanted === null ? null : (data ?? null)
}
