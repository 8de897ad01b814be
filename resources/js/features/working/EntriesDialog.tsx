import { useState } from 'react'
import { Problem } from '../../lib/api/problem'
import type { Entry, Experiment } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogDone } from '../../ui/DialogActions'
import { NumberField } from '../../ui/NumberField'
import { useChangeExperiment } from '../experiments/useChangeExperiment'

interface EntriesDialogProps {
  experiment: Experiment
  onClose: () => void
}

const NAMES = [
  ['titrant', 'In the burette'],
  ['sample', 'In the beaker'],
  ['analyte', 'What reacts in it'],
] as const

/** Single typed values with their ±: each is kept as soon as its field is left, and the working follows. */
export function EntriesDialog({ experiment, onClose }: EntriesDialogProps) {
  const change = useChangeExperiment(experiment.id)
  const [failed, setFailed] = useState<string | null>(null)
  const refused = change.error instanceof Problem && change.error.status === 422 ? change.error : null

  function handleEntry(entry: Entry, part: Partial<Pick<Entry, 'value' | 'uncertainty'>>) {
    setFailed(entry.symbol)
    // Only what changed is sent: the other field of the entry may be on its way already.
    change.mutate({ entries: [{ symbol: entry.symbol, ...part }] })
  }

  return (
    <Dialog title="Typed values" onClose={onClose}>
      <div className="mb-4 grid gap-3 sm:grid-cols-3">
        {NAMES.map(([field, label]) => (
          <TextField
            key={field}
            label={label}
            value={experiment[field]}
            onChange={(value) => {
              setFailed(null)
              change.mutate({ [field]: value })
            }}
          />
        ))}
      </div>
      <ul className="flex flex-col gap-3">
        {experiment.entries.map((entry) => (
          <li key={entry.symbol} className="flex flex-wrap items-end gap-3">
            <NumberField
              label={`${entry.name}, ${entry.symbol}`}
              value={entry.value}
              allowBlank
              widthClass="w-28"
              problem={refused !== null && failed === entry.symbol ? refused.message : undefined}
              onChange={(value) => {
                handleEntry(entry, { value })
              }}
            />
            <NumberField
              label="±"
              value={entry.uncertainty}
              unit={entry.unit}
              widthClass="w-24"
              onChange={(uncertainty) => {
                handleEntry(entry, { uncertainty: uncertainty ?? 0 })
              }}
            />
          </li>
        ))}
      </ul>
      <DialogDone problem={refused !== null && failed !== null ? null : change.error} onDone={onClose} />
    </Dialog>
  )
}

interface TextFieldProps {
  label: string
  value: string
  onChange: (value: string) => void
}

function TextField({ label, value, onChange }: TextFieldProps) {
  const [text, setText] = useState(value)
  return (
    <label className="flex flex-col gap-0.5">
      <span className="quiet text-sm">{label}</span>
      <input
        className="input input-sm bg-base-100 w-full"
        value={text}
        maxLength={60}
        onChange={(event) => {
          setText(event.target.value)
        }}
        onBlur={() => {
          if (text.trim() !== '' && text.trim() !== value) onChange(text.trim())
          else setText(value)
        }}
      />
    </label>
  )
}
