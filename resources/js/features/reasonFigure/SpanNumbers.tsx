import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Notebook, SpanNumbers as Numbers } from '../../lib/api/types'
import { spanRows, type SpanRow } from '../../lib/figure/spanRows'
import { NumberRows } from './NumberRows'

interface SpanNumbersProps {
  notebook: Notebook
  runId: number
  x: string
  y: string
  from: number
  to: number
  isPending: boolean
  onKeep: (line: SpanRow['keep']) => void
}

/** What a span comes to while it is dragged; a word that is pressed keeps its number as a line. */
export function SpanNumbers({ notebook, runId, x, y, from, to, isPending, onKeep }: SpanNumbersProps) {
  const [asked, setAsked] = useState({ x, y, from, to })
  const { data, error, isFetching, isPlaceholderData } = useQuery({
    queryKey: ['span', runId, asked, notebook.revision],
    queryFn: ({ signal }) =>
      answerOf(api.GET('/api/runs/{run}/span', { params: { path: { run: runId }, query: asked }, signal })),
    placeholderData: keepPreviousData,
    enabled: asked.y !== '',
    gcTime: 10_000,
  })
  const isOther = asked.x !== x || asked.y !== y || asked.from !== from || asked.to !== to
  // A hand is faster than any answer: one question at a time, and the next is about where the hand is then.
  if (isOther && !isFetching) setAsked({ x, y, from, to })
  if (data === undefined) return error === null ? null : <p className="quiet">{error.message}</p>
  return (
    <NumberRows
      label="Numbers of the span"
      rows={spanRows(data satisfies Numbers)}
      // Those of the span before stand until the new ones come, and look so.
      isOld={isPlaceholderData || isOther}
      isPending={isPending}
      onKeep={({ keep }) => {
        onKeep(keep)
      }}
    />
  )
}
