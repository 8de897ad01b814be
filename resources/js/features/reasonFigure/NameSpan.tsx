import { useId, useState, type SubmitEvent } from 'react'

interface NameSpanProps {
  name: string
  isPending: boolean
  onName: (name: string) => void
}

/** A word that becomes a field for the name of a span. */
export function NameSpan({ name, isPending, onName }: NameSpanProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const id = useId()
  if (typed === null) {
    return (
      <button
        type="button"
        className="word-button"
        onClick={() => {
          setTyped(name)
        }}
      >
        {name === '' ? 'name it' : 'rename'}
      </button>
    )
  }
  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    const said = (typed ?? '').trim()
    if (said === '') return
    onName(said)
    setTyped(null)
  }
  return (
    <form className="flex items-baseline gap-2" onSubmit={handleSubmit}>
      <label htmlFor={id} className="quiet">
        name
      </label>
      <input
        id={id}
        className="input input-xs bg-base-100 w-32"
        value={typed}
        maxLength={60}
        autoFocus
        autoComplete="off"
        onChange={(event) => {
          setTyped(event.target.value)
        }}
      />
      <button type="submit" className="word-button" disabled={isPending || typed.trim() === ''}>
        keep
      </button>
    </form>
  )
}
