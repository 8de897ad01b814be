import { useState } from 'react'
import { ProblemNote } from './ProblemNote'

interface EditableTitleProps {
  /** Where it stands among the headings of the page. */
  level: 1 | 2
  id?: string
  /** What is read, and the text that is edited, which may be none. */
  shown: string
  text: string
  label: string
  maxLength: number
  placeholder?: string
  className?: string
  problem: Error | null
  /** Keeps another text; `then` is called once it is kept, and what was typed stays until then. */
  onKeep: (text: string, then: () => void) => void
}

/** A title that is pressed to be written anew: Enter or leaving keeps it, Escape does not. */
export function EditableTitle({
  level,
  id,
  shown,
  text,
  className = '',
  problem,
  onKeep,
  ...input
}: EditableTitleProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const [sent, setSent] = useState<string | null>(null)
  const Heading = level === 1 ? 'h1' : 'h2'
  const isRefused = sent !== null && problem !== null

  function end() {
    setTyped(null)
    setSent(null)
  }

  function handleKeep() {
    // Enter and then leaving is one change.
    if (typed === null || (typed === sent && !isRefused)) return
    if (typed.trim() === text) {
      end()
      return
    }
    setSent(typed)
    onKeep(typed.trim(), end)
  }

  return (
    <>
      <Heading id={id} className={`min-w-0 truncate font-semibold ${className}`} hidden={typed !== null}>
        <button
          type="button"
          className="max-w-full cursor-text truncate text-left font-semibold hover:underline"
          title="Press to change it"
          onClick={() => {
            setTyped(text)
          }}
        >
          {shown}
        </button>
      </Heading>
      {typed === null ? null : (
        <span className={`relative min-w-0 ${className}`}>
          <input
            aria-label={input.label}
            className="input input-sm bg-base-100 w-full min-w-64 font-semibold"
            value={typed}
            maxLength={input.maxLength}
            placeholder={input.placeholder}
            autoFocus
            onChange={(event) => {
              setTyped(event.target.value)
            }}
            onBlur={handleKeep}
            onKeyDown={(event) => {
              if (event.key === 'Enter') handleKeep()
              if (event.key === 'Escape') end()
            }}
          />
          {isRefused ? (
            <span className="absolute top-full left-0 z-20 mt-1 w-max max-w-sm">
              <ProblemNote problem={problem} />
            </span>
          ) : null}
        </span>
      )}
    </>
  )
}
