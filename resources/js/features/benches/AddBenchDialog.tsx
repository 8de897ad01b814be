import { useState } from 'react'
import { countOf } from '../../lib/format'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { Note } from '../../ui/Note'
import { ProblemNote } from '../../ui/ProblemNote'
import { useOwnBenches } from './useOwnBenches'

const USUAL_PORT = '9100'

/** A bench of one's own: where its device listens, tried before it is added. */
export function AddBenchDialog({ onClose }: { onClose: () => void }) {
  const { attempt, add } = useOwnBenches()
  const [name, setName] = useState('')
  const [host, setHost] = useState('')
  const [port, setPort] = useState(USUAL_PORT)
  const place = { name: name.trim(), host: host.trim(), port: Number(port) }
  const found = attempt.data
  const fields = [
    ['Address', host, setHost, '192.168.1.50'],
    ['Port', port, setPort, USUAL_PORT],
    ['Name', name, setName, found?.bench ?? 'Cedar'],
  ] as const

  return (
    <Dialog title="Add a bench" onClose={onClose}>
      <p className="quiet mb-3">
        A bench is one place with its probes. Its device opens a port; how to make one, from a microcontroller or a
        serial line, is told in the guide under “Connecting a bench of your own”.
      </p>
      <div className="flex flex-col gap-3">
        {fields.map(([label, value, set, example]) => (
          <label key={label} className="flex flex-col gap-0.5">
            <span className="quiet text-sm">{label}</span>
            <input
              className="input input-sm bg-base-100 w-full"
              value={value}
              placeholder={example}
              autoComplete="off"
              onChange={(event) => {
                set(event.target.value)
              }}
            />
          </label>
        ))}
        <button
          type="button"
          className="btn btn-sm btn-outline self-start"
          disabled={attempt.isPending || place.host === ''}
          onClick={() => {
            attempt.mutate(
              { ...place, name: place.name === '' ? 'new' : place.name },
              {
                onSuccess: (answer) => {
                  if (place.name === '' && answer.bench !== null) setName(answer.bench)
                },
              },
            )
          }}
        >
          {attempt.isPending ? 'Trying …' : 'Try it'}
        </button>
        <ProblemNote problem={attempt.error} />
        {found === undefined ? null : found.problem === null ? (
          <Note tone="green" role="status">
            <strong>{found.bench ?? 'A bench'} answers</strong> with {countOf(found.channels.length, 'probe')}:{' '}
            {found.channels.map(({ title, serial }) => `${title} ${serial}`).join(', ')}.
          </Note>
        ) : (
          <Note tone="amber" role="status">
            {found.problem}
          </Note>
        )}
      </div>
      <DialogActions
        confirm="Add the bench"
        problem={add.error}
        isDisabled={add.isPending || place.name === '' || place.host === ''}
        onCancel={onClose}
        onConfirm={() => {
          add.mutate(place, { onSuccess: onClose })
        }}
      />
    </Dialog>
  )
}
