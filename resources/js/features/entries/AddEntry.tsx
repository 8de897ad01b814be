import { useState, type SubmitEvent } from 'react'
import type { Notebook } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { useEntries } from '../notebook'
import { Labelled } from './Labelled'

interface AddEntryProps {
  notebook: Notebook
  /** Whether one for each run is what is meant. */
  isPerRun?: boolean
  onDone: () => void
}

/** A new entry: what it is, its symbol, its unit. */
export function AddEntry({ notebook, isPerRun = false, onDone }: AddEntryProps) {
  const { add } = useEntries(notebook.id)
  const [name, setName] = useState('')
  const [symbol, setSymbol] = useState('')
  const [unit, setUnit] = useState('')
  const [how, setHow] = useState<'once' | 'run' | 'words'>(isPerRun ? 'run' : 'once')

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    add.act({ name, symbol, unit, isPerRun: how === 'run', isWords: how === 'words' }, onDone)
  }

  return (
    <form onSubmit={handleSubmit} className="note mt-3 flex flex-col gap-3" noValidate aria-label="New entry">
      <div className="grid gap-3 sm:grid-cols-[2fr_1fr_1fr_1.4fr]">
        <Labelled label="What is typed" value={name} placeholder="mass of the cup" onChange={setName} isFirst />
        <Labelled label="Symbol" value={symbol} placeholder="m" onChange={setSymbol} />
        <Labelled label="Unit" value={unit} placeholder="g" onChange={setUnit} />
        <label className="flex flex-col gap-0.5">
          <span className="quiet text-sm">How often</span>
          <select
            className="select select-sm bg-base-100"
            value={how}
            onChange={(event) => {
              setHow(event.target.value as 'once' | 'run' | 'words')
            }}
          >
            <option value="once">once</option>
            <option value="run">for each run</option>
            <option value="words">a word</option>
          </select>
        </label>
      </div>
      <ProblemNote problem={add.error} />
      <p className="flex gap-4">
        <button type="submit" className="btn btn-sm btn-primary" disabled={add.isPending}>
          Add the entry
        </button>
        <button type="button" className="btn btn-sm btn-ghost" onClick={onDone}>
          Cancel
        </button>
      </p>
    </form>
  )
}
