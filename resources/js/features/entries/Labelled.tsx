import { useId } from 'react'

interface LabelledProps {
  label: string
  value: string
  placeholder: string
  isFirst?: boolean
  onChange: (value: string) => void
}

/** A text field with its label above it. */
export function Labelled({ label, value, placeholder, isFirst = false, onChange }: LabelledProps) {
  const id = useId()
  return (
    <span className="flex min-w-0 flex-col gap-0.5">
      <label htmlFor={id} className="quiet text-sm">
        {label}
      </label>
      <input
        id={id}
        className="input input-sm bg-base-100 w-full"
        value={value}
        placeholder={placeholder}
        maxLength={400}
        autoFocus={isFirst}
        onChange={(event) => {
          onChange(event.target.value)
        }}
      />
    </span>
  )
}
