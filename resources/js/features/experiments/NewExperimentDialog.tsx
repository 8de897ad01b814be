import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useId, useState, type SubmitEvent } from 'react'
import { useNavigate } from 'react-router'
import { answerOf, api } from '../../lib/api/client'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { useBenches } from './useBenches'

export function NewExperimentDialog({ onClose }: { onClose: () => void }) {
  const [title, setTitle] = useState('')
  const [chosenBench, setChosenBench] = useState<number | null>(null)
  const benches = useBenches()
  // A titration needs a pH electrode, plugged in or not.
  const suitable = (benches.data ?? []).filter(({ probes }) => probes.some(({ kind }) => kind === 'ph-electrode'))
  const benchId = chosenBench ?? suitable[0]?.id ?? null
  const navigate = useNavigate()
  const client = useQueryClient()
  const titleId = useId()
  const benchFieldId = useId()
  const create = useMutation({
    mutationFn: () =>
      answerOf(api.POST('/api/experiments', { body: { title, protocol: 'titration', benchId: benchId ?? 0 } })),
    onSuccess: (experiment) => {
      client.setQueryData(['experiment', experiment.id], experiment)
      void client.invalidateQueries({ queryKey: ['experiments'] })
      void navigate(`/experiments/${experiment.id}/prepare`)
    },
  })

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    create.mutate()
  }

  return (
    <Dialog title="New experiment" onClose={onClose}>
      <form onSubmit={handleSubmit} className="flex flex-col gap-4" noValidate>
        <div className="note">
          <p className="font-semibold">Protocol: titration</p>
          <p className="quiet">A pH electrode in a beaker, a burette above it, one reading a step.</p>
        </div>
        <div className="flex flex-col gap-1">
          <label htmlFor={titleId}>Title, best a question</label>
          <input
            id={titleId}
            className="input bg-base-100 w-full"
            placeholder="How sour is the brine of the new cheese?"
            value={title}
            maxLength={120}
            autoFocus
            onChange={(event) => {
              setTitle(event.target.value)
            }}
          />
        </div>
        <div className="flex flex-col gap-1">
          <label htmlFor={benchFieldId}>Bench</label>
          <select
            id={benchFieldId}
            className="select bg-base-100 w-full"
            value={benchId ?? ''}
            onChange={(event) => {
              setChosenBench(Number(event.target.value))
            }}
          >
            {suitable.map((bench) => (
              <option key={bench.id} value={bench.id}>
                {bench.name}
                {bench.isSimulated ? ' (simulated)' : ''}
              </option>
            ))}
          </select>
        </div>
        <DialogActions
          confirm="Begin with Prepare"
          problem={create.error}
          isDisabled={create.isPending || benchId === null}
          onCancel={onClose}
        />
      </form>
    </Dialog>
  )
}
