import { useId } from 'react'
import type { Method, Notebook } from '../../lib/api/types'
import { useRunsTable } from '../notebook'
import { columnChoices, runChoices, valueChoices, type Choice, type Filled } from './lineInputs'

interface LineInputsFormProps {
  method: Method
  notebook: Notebook
  filled: Filled
  onFill: (name: string, value: string) => void
}

/** Asks for what a method declares, in its own words. */
export function LineInputsForm({ method, notebook, filled, onFill }: LineInputsFormProps) {
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      {method.inputs.map((slot) => {
        const common = {
          label: `${slot.words}${slot.isRequired ? '' : ' (if any)'}`,
          value: filled[slot.name] ?? '',
          onChange: (value: string) => {
            onFill(slot.name, value)
          },
        }
        if (slot.kind === 'values' || slot.kind === 'span') return null
        if (slot.kind === 'column')
          return <Choose key={slot.name} {...common} choices={columnChoices(notebook, slot)} none="choose" />
        if (slot.kind === 'result') return <ChooseResult key={slot.name} {...common} notebook={notebook} />
        if (slot.kind === 'run')
          return <Choose key={slot.name} {...common} choices={runChoices(notebook)} none="choose" />
        if (slot.kind === 'number')
          return <NumberOrSymbol key={slot.name} {...common} choices={valueChoices(notebook)} />
        if (slot.choices.length > 0)
          return (
            <Choose
              key={slot.name}
              {...common}
              choices={slot.choices.map((one) => ({ symbol: one, words: one.replaceAll('-', ' ') }))}
              none="choose"
            />
          )
        return <Write key={slot.name} {...common} isWide={slot.name === 'formula'} />
      })}
    </div>
  )
}

interface FieldProps {
  label: string
  value: string
  onChange: (value: string) => void
}

interface ChooseProps extends FieldProps {
  choices: readonly Choice[]
  none: string
  isWide?: boolean
}

function Choose({ label, value, choices, none, isWide = false, onChange }: ChooseProps) {
  const id = useId()
  return (
    <span className={`flex flex-col gap-0.5 ${isWide ? 'sm:col-span-2' : ''}`}>
      <label htmlFor={id} className="quiet text-sm">
        {label}
      </label>
      <select
        id={id}
        className="select select-sm bg-base-100 w-full"
        value={value}
        onChange={(event) => {
          onChange(event.target.value)
        }}
      >
        <option value="">{none}</option>
        {choices.map(({ symbol, words }) => (
          <option key={symbol} value={symbol}>
            {words}
          </option>
        ))}
      </select>
    </span>
  )
}

/** What has a value for each run: a column of the runs table. */
function ChooseResult({ notebook, ...field }: FieldProps & { notebook: Notebook }) {
  const columns = useRunsTable(notebook.id, notebook.revision).data?.columns ?? []
  return (
    <Choose
      {...field}
      choices={columns.map(({ symbol, title }) => ({
        symbol,
        words: symbol === title ? symbol : `${symbol}, ${title}`,
      }))}
      none="choose"
      isWide
    />
  )
}

/** A number, or the symbol of an entry or a line; symbols are offered. */
function NumberOrSymbol({ label, value, choices, onChange }: FieldProps & { choices: readonly Choice[] }) {
  const id = useId()
  return (
    <span className="flex flex-col gap-0.5">
      <label htmlFor={id} className="quiet text-sm">
        {label}
      </label>
      <input
        id={id}
        list={`${id}-symbols`}
        className="input input-sm num bg-base-100 w-full"
        autoComplete="off"
        value={value}
        onChange={(event) => {
          onChange(event.target.value)
        }}
      />
      <datalist id={`${id}-symbols`}>
        {choices.map(({ symbol, words }) => (
          <option key={symbol} value={symbol}>
            {words}
          </option>
        ))}
      </datalist>
    </span>
  )
}

function Write({ label, value, isWide, onChange }: FieldProps & { isWide: boolean }) {
  const id = useId()
  return (
    <span className={`flex flex-col gap-0.5 ${isWide ? 'sm:col-span-2' : ''}`}>
      <label htmlFor={id} className="quiet text-sm">
        {label}
      </label>
      <input
        id={id}
        className="input input-sm num bg-base-100 w-full"
        autoComplete="off"
        value={value}
        maxLength={400}
        onChange={(event) => {
          onChange(event.target.value)
        }}
      />
    </span>
  )
}
