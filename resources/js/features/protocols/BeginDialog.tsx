import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useId, useState, type SubmitEvent } from 'react'
import { useNavigate } from 'react-router'
import { answerOf, api } from '../../lib/api/client'
import type { Bench, Protocol } from '../../lib/api/types'
import { uuid } from '../../lib/uuid'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { benchesFor } from './library'

interface BeginDialogProps {
  protocol: Protocol
  benches: readonly Bench[]
  onClose: () => void
}

/** One more thing to say, if anything: the title, best a question, and where it is recorded. */
export function BeginDialog({ protocol, benches, onClose }: BeginDialogProps) {
  const able = benchesFor(protocol, benches)
  const [title, setTitle] = useState('')
  const [benchId, setBenchId] = useState<number | null>(able[0]?.id ?? null)
  const [key] = useState(uuid)
  const navigate = useNavigate()
  const client = useQueryClient()
  const titleId = useId()
  const benchFieldId = useId()
  const begin = useMutation({
    mutationFn: () =>
      answerOf(
        api.POST('/api/experiments', {
          params: { header: { 'Request-Key': key } },
          body: { title: title.trim() === '' ? protocol.title : title, protocol: protocol.key, benchId },
        }),
      ),
    onSuccess: (notebook) => {
      client.setQueryData(['notebook', notebook.id], notebook)
      void client.invalidateQueries({ queryKey: ['experiments'] })
      void navigate(`/experiments/${notebook.id}/prepare`)
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
            value={benchId ?? ''}
            onChange={(event) => {
              setBenchId(event.target.value === '' ? null : Number(event.target.value))
            }}
          >
            <option value="">none yet</option>
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
          confirm="Begin with Prepare"
          problem={begin.error}
          isDisabled={begin.isPending}
          onCancel={onClose}
        />
      </form>
    </Dialog>
  )
}
