import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useId, useState, type SubmitEvent } from 'react'
import { useNavigate } from 'react-router'
import { answerOf, api } from '../../lib/api/client'
import type { Bench, Protocol } from '../../lib/api/types'
import { screenId } from '../../lib/notebook/screenId'
import { uuid } from '../../lib/uuid'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { benchesFor } from './library'

interface BeginDialogProps {
  protocol: Protocol
  benches: readonly Bench[]
  onClose: () => void
}

/** In place of a bench. */
const TYPED = 'typed'

/** One more thing to say, if anything: the title, best a question, and where it is recorded. */
export function BeginDialog({ protocol, benches, onClose }: BeginDialogProps) {
  const able = benchesFor(protocol, benches)
  const [title, setTitle] = useState('')
  const [place, setPlace] = useState<number | typeof TYPED | null>(able[0]?.id ?? null)
  const [key] = useState(uuid)
  const [runKey] = useState(uuid)
  const navigate = useNavigate()
  const client = useQueryClient()
  const titleId = useId()
  const benchFieldId = useId()
  const begin = useMutation({
    mutationFn: async () => {
      const notebook = await answerOf(
        api.POST('/api/experiments', {
          params: { header: { 'Request-Key': key } },
          body: {
            title: title.trim() === '' ? protocol.title : title,
            protocol: protocol.key,
            benchId: place === TYPED ? null : place,
          },
        }),
      )
      if (place !== TYPED) return { notebook, run: null }
      const { made } = await answerOf(
        api.POST('/api/experiments/{experiment}/runs', {
          params: { path: { experiment: notebook.id }, header: { 'Request-Key': runKey, Screen: screenId } },
          body: { kind: TYPED },
        }),
      )
      return { notebook, run: made }
    },
    onSuccess: ({ notebook, run }) => {
      if (run === null) client.setQueryData(['notebook', notebook.id], notebook)
      void client.invalidateQueries({ queryKey: ['experiments'] })
      void navigate(`/experiments/${notebook.id}/${run === null ? 'prepare' : `record?run=${run}`}`)
    },
  })

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    begin.mutate()
  }

  return (
    <Dialog title={protocol.title} onClose={onClose}>
      <form onSubmit={handleSubmit} className="flex flex-col gap-4" noValidate>
        <p className="quiet">{protocol.sentence}</p>
        <div className="flex flex-col gap-1">
          <label htmlFor={titleId}>Title, best a question</label>
          <input
            id={titleId}
            className="input bg-base-100 w-full"
            placeholder={protocol.title}
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
            value={place ?? ''}
            onChange={({ target: { value } }) => {
              setPlace(value === '' ? null : value === TYPED ? TYPED : Number(value))
            }}
          >
            <option value="">none yet</option>
            <option value={TYPED}>none: numbers are typed or pasted</option>
            {benches.map((bench) => (
              <option key={bench.id} value={bench.id}>
                {bench.name}
                {bench.isSimulated ? ' (simulated)' : ''}
                {able.includes(bench) ? '' : ', without these probes'}
              </option>
            ))}
          </select>
        </div>
        <DialogActions
          confirm={place === TYPED ? 'Begin with the table' : 'Begin with Prepare'}
          problem={begin.error}
          isDisabled={begin.isPending}
          onCancel={onClose}
        />
      </form>
    </Dialog>
  )
}
