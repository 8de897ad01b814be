import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Between } from '../../lib/relations/between'
import { untilAnswered } from '../notebook'

/** Which curve is laid through them. */
export interface Wish {
  relation?: string
  formula?: string
  held: string
  start: string
  band: 'drawn' | 'hidden'
}

export function useRelations(run: number, revision: number, between: Between) {
  const queryKey = ['relations', run, between, revision]
  return useQuery({
    queryKey,
    placeholderData: untilAnswered(queryKey),
    queryFn: ({ signal }) =>
      answerOf(api.GET('/api/runs/{run}/relations', { params: { path: { run }, query: between }, signal })),
    retry: false,
  })
}

/** What one curve comes to. A hand on a slider is faster than any answer: one question at a time. */
export function useRelation(run: number, revision: number, between: Between, wanted: Wish | null) {
  const [asked, setAsked] = useState(wanted)
  const told = useQuery({
    queryKey: ['relation', run, between, asked, revision],
    queryFn: ({ signal }) =>
      answerOf(
        api.GET('/api/runs/{run}/relation', { params: { path: { run }, query: { ...between, ...asked } }, signal }),
      ),
    placeholderData: keepPreviousData,
    enabled: asked !== null,
    retry: false,
    gcTime: 10_000,
  })
  if (JSON.stringify(asked) !== JSON.stringify(wanted) && !told.isFetching) setAsked(wanted)
  return told
}
