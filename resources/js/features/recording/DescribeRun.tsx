import { useState, type SubmitEvent } from 'react'
import type { RunSummary } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { useRunActions } from '../notebook'

interface DescribeRunProps {
  run: RunSummary
  experimentId: number
  onDone: () => void
}

/** What a run is called and belongs to; with condition and trial the next one counts on by itself. */
export function DescribeRun({ run, experimentId, onDone }: DescribeRunProps) {
  const { change } = useRunActions(run.id, experimentId)
  const [name, setName] = useState(run.ownName)
  const [condition, setCondition] = useState(run.condition ?? '')
  const [trial, setTrial] = useState(run.trial === null ? '' : String(run.trial))
  const fields = [
    ['Name', name, setName, run.name],
    ['Condition', condition, setCondition, 'half strength'],
    ['Trial', trial, setTrial, '1'],
  ] as const

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    const number = Number(trial)
    change.act(
      {
        name: name.trim(),
        condition: condition.trim(),
        trial: trial.trim() !== '' && Number.isInteger(number) && number > 0 ? number : null,
      },
      onDone,
    )
  }

  return (
    <form
      onSubmit={handleSubmit}
      className="note mx-4 mb-2 flex flex-col gap-2"
      aria-label={`About ${run.name}`}
      noValidate
    >
      {fields.map(([label, value, set, example]) => (
        <label key={label} className="flex flex-col gap-0.5">
          <span className="quiet text-sm">{label}</span>
          <input
            className="input input-sm bg-base-100 w-full"
            value={value}
            placeholder={example}
            maxLength={120}
            onChange={(event) => {
              set(event.target.value)
            }}
          />
        </label>
      ))}
      <p className="quiet text-sm">With a condition and a trial the next run is called by them, and counts on.</p>
      <ProblemNote problem={change.error} />
      <p className="flex gap-3">
        <button type="submit" className="btn btn-sm btn-primary" disabled={change.isPending}>
          Use this
        </button>
        <button type="button" className="btn btn-sm btn-ghost" onClick={onDone}>
          Cancel
        </button>
      </p>
    </form>
  )
}
