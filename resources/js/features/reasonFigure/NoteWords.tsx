import { useState, type SubmitEvent } from 'react'
import type { Marker } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { useRunActions } from '../notebook'

interface NoteWordsProps {
  experimentId: number
  runId: number
  /** Where a new one is pinned: a row by its number, or a moment of a timed run in s. */
  where: { row: number } | { at: number }
  /** What was noted there. */
  notes: readonly Marker[]
}

/** What was noted at a point, and a note to be pinned to it. */
export function NoteWords({ experimentId, runId, where, notes }: NoteWordsProps) {
  const { dropMarker, changeMarker, removeMarker } = useRunActions(runId, experimentId)
  const [written, setWritten] = useState<{ of: number | null; text: string } | null>(null)

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    const name = written?.text.trim() ?? ''
    if (written === null || name === '') return
    const done = () => {
      setWritten(null)
    }
    if (written.of === null) dropMarker.act({ ...where, name }, done)
    else changeMarker.act({ id: written.of, name }, done)
  }

  return (
    <div>
      {notes.map(({ id, name }) => (
        <p key={id} className="flex flex-wrap gap-x-3">
          <span>“{name === '' ? 'marker' : name}”</span>
          <button
            type="button"
            className="word-button font-normal!"
            onClick={() => {
              setWritten({ of: id, text: name })
            }}
          >
            change note
          </button>
          <button
            type="button"
            className="word-button font-normal!"
            onClick={() => {
              removeMarker.act(id)
            }}
          >
            remove note
          </button>
        </p>
      ))}
      {written === null ? (
        <button
          type="button"
          className="word-button"
          onClick={() => {
            setWritten({ of: null, text: '' })
          }}
        >
          note …
        </button>
      ) : (
        <form className="flex items-center gap-x-2" onSubmit={handleSubmit}>
          <input
            className="input input-xs bg-base-100 min-w-0 flex-1"
            aria-label="What happened here"
            placeholder="what happened here?"
            maxLength={120}
            autoFocus
            value={written.text}
            onChange={(event) => {
              setWritten({ ...written, text: event.target.value })
            }}
            onKeyDown={(event) => {
              if (event.key !== 'Escape') return
              event.stopPropagation()
              setWritten(null)
            }}
          />
          <button type="submit" className="word-button" disabled={written.text.trim() === '' || dropMarker.isPending}>
            pin it
          </button>
        </form>
      )}
      <ProblemNote problem={dropMarker.error ?? changeMarker.error ?? removeMarker.error} />
    </div>
  )
}
