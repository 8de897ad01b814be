import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Ellipsis } from 'lucide-react'
import { useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import { sentenceOf } from '../../lib/api/problem'
import type { ExperimentSummary } from '../../lib/api/types'
import { uuid } from '../../lib/uuid'
import { useNotices } from '../../ui/notices'

/** What can be done with an experiment as a whole; throwing it away has its undo. */
export function ExperimentMenu({ experiment }: { experiment: ExperimentSummary }) {
  const [isOpen, setIsOpen] = useState(false)
  const { tell } = useNotices()
  const client = useQueryClient()
  const path = { experiment: experiment.id }
  const done = (words: string, undo?: () => void) => {
    void client.invalidateQueries({ queryKey: ['experiments'] })
    void client.invalidateQueries({ queryKey: ['protocols'] })
    tell(words, undo)
  }
  const onError = (error: Error) => {
    tell(sentenceOf(error))
  }
  const copy = useMutation({
    mutationFn: ({ withRuns, key }: { withRuns: boolean; key: string }) =>
      answerOf(
        api.POST('/api/experiments/{experiment}/copy', {
          params: { path, header: { 'Request-Key': key } },
          body: { withRuns },
        }),
      ),
    onSuccess: ({ title }) => {
      done(`“${title}” is made.`)
    },
    onError,
  })
  const protocol = useMutation({
    mutationFn: (key: string) =>
      answerOf(
        api.POST('/api/experiments/{experiment}/protocol', { params: { path, header: { 'Request-Key': key } } }),
      ),
    onSuccess: ({ title }) => {
      done(`“${title}” is among your own protocols now.`)
    },
    onError,
  })
  const bringBack = useMutation({
    mutationFn: () => answerOf(api.POST('/api/experiments/{experiment}/bring-back', { params: { path } })),
    onSuccess: ({ title }) => {
      done(`“${title}” is back.`)
    },
    onError,
  })
  const throwAway = useMutation({
    mutationFn: () => answerOf(api.DELETE('/api/experiments/{experiment}', { params: { path } })),
    onSuccess: () => {
      done(`“${experiment.title}” is thrown away.`, () => {
        bringBack.mutate()
      })
    },
    onError,
  })
  const acts: [string, () => void][] = [
    [
      'Copy without its runs',
      () => {
        copy.mutate({ withRuns: false, key: uuid() })
      },
    ],
    [
      'Copy with its runs',
      () => {
        copy.mutate({ withRuns: true, key: uuid() })
      },
    ],
    [
      'Make a protocol of this',
      () => {
        protocol.mutate(uuid())
      },
    ],
    [
      'Throw away',
      () => {
        throwAway.mutate()
      },
    ],
  ]

  return (
    <div
      className="relative"
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setIsOpen(false)
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') setIsOpen(false)
      }}
    >
      <button
        type="button"
        className="btn btn-sm btn-ghost px-2"
        aria-expanded={isOpen}
        aria-label={`More for ${experiment.title}`}
        onClick={() => {
          setIsOpen(!isOpen)
        }}
      >
        <Ellipsis size={18} aria-hidden="true" />
      </button>
      {isOpen ? (
        <ul className="panel absolute right-0 z-20 w-56 py-1 shadow-md">
          {acts.map(([words, act]) => (
            <li key={words}>
              <button
                type="button"
                className="hover:bg-base-200 w-full cursor-pointer px-3 py-1.5 text-left"
                onClick={() => {
                  setIsOpen(false)
                  act()
                }}
              >
                {words}
              </button>
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  )
}
