interface WordSelectProps {
  /** What is chosen, for who does not see where it stands; left out where a label names it. */
  label?: string
  id?: string
  value: string
  options: readonly string[]
  onChange: (value: string) => void
}

/** A word within a sentence that is pressed to be another one. */
export function WordSelect({ label, id, value, options, onChange }: WordSelectProps) {
  return (
    <select
      id={id}
      aria-label={label}
      className="word-select font-semibold"
      value={value}
      onChange={(event) => {
        onChange(event.target.value)
      }}
    >
      {options.includes(value) ? null : <option value={value}>{value}</option>}
      {options.map((option) => (
        <option key={option} value={option}>
          {option}
        </option>
      ))}
    </select>
  )
}
