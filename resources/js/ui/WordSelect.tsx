import { useAsked } from './useAsked'

interface WordSelectProps {
  /** What is chosen, for who does not see where it stands; left out where a label names it. */
  label?: string
  id?: string
  value: string
  options: readonly string[]
  /** What it gives back is waited for: until then the word that was chosen stands there. */
  onChange: (value: string) => unknown
}

/** A word within a sentence that is pressed to be another one. */
export function WordSelect({ label, id, value, options, onChange }: WordSelectProps) {
  const { shown, ask, takeBack } = useAsked(value)
  const choose = (next: string) => {
    const answer = onChange(next)
    if (!(answer instanceof Promise)) return
    ask(next)
    answer.then(takeBack, takeBack)
  }
  return (
    <select
      id={id}
      aria-label={label}
      className="word-select font-semibold"
      value={shown}
      onChange={(event) => {
        choose(event.target.value)
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
