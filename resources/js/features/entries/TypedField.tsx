import { useId, useState } from 'react'

interface TypedFieldProps {
  label: string
  value: string
  hideLabel?: boolean
  /** Beside its label instead of below. */
  isInline?: boolean
  widthClass?: string
  maxLength?: number
  /** What it is by itself while nothing is typed. */
  placeholder?: string
  /** Whether it was opened to be typed into. */
  isOpened?: boolean
  problem?: string | undefined
  /** The element that says what is wrong, where that stands elsewhere. */
  problemAt?: string | undefined
  onChange: (text: string) => void
  /** It is left, whether or not anything was changed. */
  onLeave?: (goesTo: EventTarget | null) => void
}

/** A field that takes what people type, as 25,0 or 25.0 ± 0.1 or 0,5 g; what it means is the server's to say. */
export function TypedField({
  label,
  value,
  hideLabel = false,
  isInline = false,
  widthClass = 'w-full',
  maxLength = 60,
  placeholder,
  isOpened = false,
  problem,
  problemAt,
  onChange,
  onLeave,
}: TypedFieldProps) {
  const id = useId()
  const [text, setText] = useState(value)
  const [shownFor, setShownFor] = useState(value)
  const isRefused = problem !== undefined || problemAt !== undefined
  if (shownFor !== value) {
    setShownFor(value)
    setText(value)
  }
  return (
    <span className={`flex min-w-0 ${isInline ? 'items-baseline gap-1.5' : 'flex-col gap-0.5'}`}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'quiet text-sm'}>
        {label}
      </label>
      <input
        id={id}
        className={`input input-sm num bg-base-100 ${widthClass} ${isRefused ? 'input-error' : ''}`}
        placeholder={placeholder}
        autoComplete="off"
        autoFocus={isOpened}
        value={text}
        maxLength={maxLength}
        aria-invalid={isRefused ? true : undefined}
        aria-describedby={problem === undefined ? problemAt : `${id}-problem`}
        onChange={(event) => {
          setText(event.target.value)
        }}
        onBlur={(event) => {
          // What was refused is put right by typing what was there before, too.
          if (text.trim() !== value.trim() || isRefused) onChange(text.trim())
          onLeave?.(event.relatedTarget)
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
