import { useId, useState } from 'react'
import { parseNumber } from '../lib/format'

interface NumberFieldProps {
  label: string
  value: number | null
  unit?: string
  /** Called when a number was typed and the field is left or Enter is pressed. */
  onChange: (value: number | null) => void
  hideLabel?: boolean
  allowBlank?: boolean
  widthClass?: string
  problem?: string | undefined
}

/** A typed number with its unit. What was typed stays, even when it is no number; a comma may be the decimal mark. */
export function NumberField({
  label,
  value,
  unit,
  onChange,
  hideLabel = false,
  allowBlank = false,
  widthClass = 'w-24',
  problem,
}: NumberFieldProps) {
  const id = useId()
  const [text, setText] = useState(value === null ? '' : String(value))
  const [ownProblem, setOwnProblem] = useState<string | null>(null)
  const [shownFor, setShownFor] = useState(value)
  if (shownFor !== value) {
    setShownFor(value)
    setText(value === null ? '' : String(value))
    setOwnProblem(null)
  }

  function handleCommit() {
    const number = parseNumber(text)
    if (number === null && !(text.trim() === '' && allowBlank)) {
      setOwnProblem(text.trim() === '' ? 'A number is needed.' : `"${text}" is not a number.`)
      return
    }
    setOwnProblem(null)
    if (number !== value) onChange(number)
  }

  const shown = ownProblem ?? problem
  return (
    <div className="inline-flex flex-col gap-0.5">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'quiet text-sm'}>
        {label}
        {hideLabel && unit ? ` in ${unit}` : ''}
      </label>
      <span className="inline-flex items-center gap-1.5">
        <input
          id={id}
          className={`input input-sm num bg-base-100 ${widthClass} ${shown ? 'input-error' : ''}`}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          aria-invalid={shown ? true : undefined}
          aria-describedby={shown ? `${id}-problem` : undefined}
          onChange={(event) => {
            setText(event.target.value)
            // Said until it is put right; leaving the field must not move what is about to be pressed.
            if (parseNumber(event.target.value) !== null) setOwnProblem(null)
          }}
          onBlur={handleCommit}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return
            // Leaving the field commits it; from then on single keys are commands again.
            event.preventDefault()
            event.currentTarget.blur()
          }}
        />
        {unit ? <span className="quiet text-sm">{unit}</span> : null}
      </span>
      {shown ? (
        <span id={`${id}-problem`} className="text-error text-sm">
          {shown}
        </span>
      ) : null}
    </div>
  )
}
