import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Notebook, SpanNumbers as Numbers } from '../../lib/api/types'
import { spanRows, type SpanRow } from '../../lib/figure/spanRows'

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
    <dl
      // Those of the span before stand until the new ones come, and look so.
      className={`my-1.5 grid grid-cols-[auto_1fr] items-baseline gap-x-3 gap-y-0.5 ${isPlaceholderData || isOther ? 'opacity-60' : ''}`}
      aria-label="Numbers of the span"
      aria-busy={isPlaceholderData || isOther}
    >
      {spanRows(data satisfies Numbers).map((row) => (
        <div key={row.word} className="contents">
          <dt>
            <button
              type="button"
              className="word-button"
              disabled={isPending || row.problem !== null}
              title={row.problem ?? `Keep “${row.word}” as a line`}
              onClick={() => {
                onKeep(row.keep)
              }}
            >
              {row.word}
            </button>
          </dt>
          <dd className="flex flex-wrap items-baseline gap-x-2">
            <span className="num whitespace-nowrap">{row.value}</span>
            {row.beside.map((words) => (
              <span key={words} className="quiet text-xs whitespace-nowrap">
                {words}
              </span>
            ))}
            {row.problem === null ? null : <span className="quiet text-xs">{row.problem}</span>}
          </dd>
        </div>
      ))}
    </dl>
  )
}
