import { useId, useState } from 'react'

interface TypedFieldProps {
  label: string
  value: string
  hideLabel?: boolean
  widthClass?: string
  maxLength?: number
  problem?: string | undefined
  onChange: (text: string) => void
}

/** A field that takes what people type, as 25,0 or 25.0 ± 0.1 or 0,5 g; what it means is the server's to say. */
export function TypedField({
  label,
  value,
  hideLabel = false,
  widthClass = 'w-full',
  maxLength = 60,
  problem,
  onChange,
}: TypedFieldProps) {
  const id = useId()
  const [text, setText] = useState(value)
  const [shownFor, setShownFor] = useState(value)
  if (shownFor !== value) {
    setShownFor(value)
    setText(value)
  }
  return (
    <span className="flex min-w-0 flex-col gap-0.5">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'quiet text-sm'}>
        {label}
      </label>
      <input
        id={id}
        className={`input input-sm num bg-base-100 ${widthClass} ${problem === undefined ? '' : 'input-error'}`}
        autoComplete="off"
        value={text}
        maxLength={maxLength}
        aria-invalid={problem === undefined ? undefined : true}
        aria-describedby={problem === undefined ? undefined : `${id}-problem`}
        onChange={(event) => {
          setText(event.target.value)
        }}
        onBlur={() => {
          if (text.trim() !== value.trim()) onChange(text.trim())
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return
          event.preventDefault()
          event.currentTarget.blur()
        }}
      />
      {problem === undefined ? null : (
        <span id={`${id}-problem`} className="text-error text-sm">
          {problem}
        </span>
      )}
    </span>
  )
}
