import { useId, useState, type SubmitEvent } from 'react'
import type { Notebook } from '../../lib/api/types'
import { typeset } from '../../lib/format'
import { unitBehind } from '../../lib/notebook/labels'
import { ProblemNote } from '../../ui/ProblemNote'
import { useNotices } from '../../ui/notices'
import { useEntries, useUndo } from '../notebook'

interface IntoRunsProps {
  notebook: Notebook
  runId: number
  /** What lies between two places, in the unit. */
  value: number
  unit: string
  onDone: () => void
}

/** An interval between two places is entered for the run in hand: a column of the runs that is there, or a new one. */
export function IntoRuns({ notebook, runId, value, unit, onDone }: IntoRunsProps) {
  const id = useId()
  const { add, type } = useEntries(notebook.id)
  const { undo } = useUndo(notebook.id)
  const { tell } = useNotices()
  const known = notebook.entries.filter(({ isPerRun, isWords }) => isPerRun && !isWords)
  const [isOpen, setIsOpen] = useState(false)
  const [symbol, setSymbol] = useState(known.find((one) => one.unit === unit)?.symbol ?? 'interval')
  // What the places differ by is exact to what can be told of them, not to the last bit.
  const typed = `${Number(value.toPrecision(9))} ${unit}`.trim()
  const shown = `${typeset(String(Number(value.toPrecision(5))))} ${unitBehind(unit)}`.trim()

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    const entry = known.find((one) => one.symbol === symbol.trim())
    const done = () => {
      tell(`${shown} stands in the runs table as ${symbol.trim()}.`, () => {
        undo.act()
      })
      onDone()
    }
    if (entry !== undefined) type.act({ entry: entry.id, runId, typed }, done)
    else add.act({ symbol: symbol.trim(), name: symbol.trim(), unit, isPerRun: true, first: { runId, typed } }, done)
  }

  if (!isOpen) {
    return (
      <p>
        <button
          type="button"
          className="word-button"
          onClick={() => {
            setIsOpen(true)
          }}
        >
          {shown} into the runs table
        </button>
      </p>
    )
  }
  return (
    <form className="flex flex-wrap items-center gap-x-2" onSubmit={handleSubmit} noValidate>
      <label htmlFor={id}>{shown} as</label>
      <input
        id={id}
        list={`${id}-known`}
        className="input input-xs num bg-base-100 w-28"
        value={symbol}
        maxLength={20}
        autoComplete="off"
        autoFocus
        onChange={(event) => {
          setSymbol(event.target.value)
        }}
      />
      <datalist id={`${id}-known`}>
        {known.map((one) => (
          <option key={one.id} value={one.symbol}>
            {one.shownName}
          </option>
        ))}
      </datalist>
      <button type="submit" className="word-button" disabled={add.isPending || type.isPending || symbol.trim() === ''}>
        enter
      </button>
      <ProblemNote problem={add.error ?? type.error} />
    </form>
  )
}
