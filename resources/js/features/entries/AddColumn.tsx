import { useState, type SubmitEvent } from 'react'
import type { Notebook } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { useColumns } from '../notebook'
import { useBenches } from '../probes/useBenches'
import { FormulaField } from './FormulaField'
import { Labelled } from './Labelled'
import { probeChoices } from './probeChoices'

type Kind = 'measured' | 'step' | 'typed' | 'derived'

interface AddColumnProps {
  notebook: Notebook
  /** Whether it is added to a table that is typed. */
  isForTyping?: boolean
  onDone: () => void
}

/** A new column: measured by a probe, set from reading to reading, typed, or by a formula. */
export function AddColumn({ notebook, isForTyping = false, onDone }: AddColumnProps) {
  const { add } = useColumns(notebook.id)
  const benches = useBenches()
  const [kind, setKind] = useState<Kind>(
    isForTyping ? 'typed' : notebook.columns.some((column) => column.kind === 'step') ? 'measured' : 'step',
  )
  const [name, setName] = useState('')
  const [symbol, setSymbol] = useState('')
  const [unit, setUnit] = useState('')
  const [formula, setFormula] = useState('')
  const [isWords, setIsWords] = useState(false)
  const choices = probeChoices(benches.data ?? [], notebook)
  const [chosen, setChosen] = useState<string | null>(null)
  const choice = choices.find(({ key }) => key === chosen) ?? choices[0]
  const probe = choice?.probe

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    add.act(
      {
        kind,
        name,
        symbol,
        unit: kind === 'measured' && unit === '' ? (probe?.unit ?? '') : unit,
        ...(kind === 'derived' ? { formula } : {}),
        ...(kind === 'measured'
          ? {
              probeKind: probe?.kind ?? null,
              ...(probe?.kind === 'any-quantity' ? { probeTitle: probe.title } : {}),
              isBeside: choice?.isBeside ?? false,
              isSteady: true,
            }
          : {}),
        ...(kind === 'step' || kind === 'typed' ? { isWords } : {}),
      },
      onDone,
    )
  }

  return (
    <form onSubmit={handleSubmit} className="note mt-3 flex flex-col gap-3" noValidate aria-label="New column">
      <div className="grid gap-3 sm:grid-cols-[1.5fr_2fr_1fr_1fr]">
        <label className="flex flex-col gap-0.5">
          <span className="quiet text-sm">How its cells come about</span>
          <select
            className="select select-sm bg-base-100"
            value={kind}
            onChange={(event) => {
              setKind(event.target.value as Kind)
            }}
          >
            <option value="measured">measured by a probe</option>
            {notebook.columns.some((column) => column.kind === 'step') ? null : (
              <option value="step">set from reading to reading</option>
            )}
            <option value="typed">typed into the table</option>
            <option value="derived">by a formula</option>
          </select>
        </label>
        <Labelled
          label="What it is"
          value={name}
          placeholder={kind === 'derived' ? 'pressure times volume' : kind === 'step' ? 'volume' : 'temperature'}
          onChange={setName}
          isFirst
        />
        <Labelled
          label="Symbol"
          value={symbol}
          placeholder={kind === 'derived' ? 'PV' : kind === 'step' ? 'V' : 'T'}
          onChange={setSymbol}
        />
        <Labelled
          label="Unit"
          value={unit}
          placeholder={kind === 'measured' ? (probe?.unit ?? '') : 'mL'}
          onChange={setUnit}
        />
      </div>
      {kind === 'derived' ? (
        <FormulaField
          notebook={notebook}
          label="Formula, in the symbols of columns, entries and lines"
          value={formula}
          unit={unit}
          of={null}
          onChange={setFormula}
        />
      ) : null}
      {kind === 'measured' ? (
        <label className="flex flex-col gap-0.5">
          <span className="quiet text-sm">Probe</span>
          <select
            className="select select-sm bg-base-100 max-w-72"
            value={choice?.key ?? ''}
            onChange={(event) => {
              setChosen(event.target.value)
            }}
          >
            {choices.map(({ key, words }) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      {kind === 'step' || kind === 'typed' ? (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={isWords}
            onChange={(event) => {
              setIsWords(event.target.checked)
            }}
          />
          {kind === 'step' ? 'its steps' : 'its cells'} are words, as cellar, kitchen, oven
        </label>
      ) : null}
      <ProblemNote problem={add.error} />
      <p className="flex gap-4">
        <button type="submit" className="btn btn-sm btn-primary" disabled={add.isPending}>
          Add the column
        </button>
        <button type="button" className="btn btn-sm btn-ghost" onClick={onDone}>
          Cancel
        </button>
      </p>
    </form>
  )
}
