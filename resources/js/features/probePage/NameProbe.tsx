import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useId, useState, type SubmitEvent } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Probe } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { renewProbes } from '../probes/renewProbes'

/** What a probe of no known kind measures, and in which unit. */
export function NameProbe({ probe }: { probe: Probe }) {
  const client = useQueryClient()
  const [isOpen, setIsOpen] = useState(false)
  const [title, setTitle] = useState(probe.title)
  const [unit, setUnit] = useState(probe.unit)
  const id = useId()
  const name = useMutation({
    mutationFn: () =>
      answerOf(api.PATCH('/api/probes/{probe}', { params: { path: { probe: probe.id } }, body: { title, unit } })),
    onSuccess: () => {
      renewProbes(client)
      setIsOpen(false)
    },
  })

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    name.mutate()
  }

  if (!isOpen) {
    return (
      <p className="text-sm">
        <button
          type="button"
          className="word-button"
          onClick={() => {
            setIsOpen(true)
          }}
        >
          what does it measure?
        </button>
      </p>
    )
  }
  return (
    <form onSubmit={handleSubmit} noValidate className="note flex flex-col gap-2" aria-label="What does it measure?">
      <div className="grid grid-cols-[2fr_1fr] gap-3">
        <label htmlFor={`${id}-title`} className="quiet text-sm">
          What it measures
          <input
            id={`${id}-title`}
            className="input input-sm bg-base-100 text-base-content w-full"
            value={title}
            maxLength={80}
            autoFocus
            onChange={(event) => {
              setTitle(event.target.value)
            }}
          />
        </label>
        <label htmlFor={`${id}-unit`} className="quiet text-sm">
          Unit
          <input
            id={`${id}-unit`}
            className="input input-sm bg-base-100 text-base-content w-full"
            value={unit}
            maxLength={20}
            onChange={(event) => {
              setUnit(event.target.value)
            }}
          />
        </label>
      </div>
      <p className="quiet text-sm">In another unit than its raw {probe.rawUnit} it has to be calibrated first.</p>
      <ProblemNote problem={name.error} />
      <p className="flex gap-4">
        <button type="submit" className="btn btn-sm btn-primary" disabled={name.isPending}>
          Keep
        </button>
        <button
          type="button"
          className="btn btn-sm btn-ghost"
          onClick={() => {
            setIsOpen(false)
          }}
        >
          Cancel
        </button>
      </p>
    </form>
  )
}
