import { useId, useState } from 'react'

interface WordsFieldProps {
  label: string
  value: string
  onChange: (value: string) => void
}

/** A step that is a word: a place, a bath. */
export function WordsField({ label, value, onChange }: WordsFieldProps) {
  const id = useId()
  const [text, setText] = useState(value)
  return (
    <div className="flex flex-col gap-0.5">
      <label htmlFor={id} className="quiet text-sm">
        {label}
      </label>
      <input
        id={id}
        className="input input-sm bg-base-100 w-full"
        value={text}
        maxLength={60}
        onChange={(event) => {
          setText(event.target.value)
        }}
        onBlur={() => {
          if (text.trim() !== '') onChange(text.trim())
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur()
        }}
      />
    </div>
  )
}
