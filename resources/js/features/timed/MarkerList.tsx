import { useState } from 'react'
import type { Marker } from '../../lib/api/types'
import { clockWords } from '../../lib/timed/words'
import { ProblemNote } from '../../ui/ProblemNote'
import { useRunActions } from '../notebook'

interface MarkerListProps {
  runId: number
  experimentId: number
  markers: readonly Marker[]
}

/** The markers of a run, to be named when there is time. */
export function MarkerList({ runId, experimentId, markers }: MarkerListProps) {
  const { changeMarker, removeMarker } = useRunActions(runId, experimentId)
  if (markers.length === 0) return null
  return (
    <section aria-labelledby="markers-title" className="border-base-300 border-t px-4 py-3">
      <h3 id="markers-title" className="mb-1 font-semibold">
        Markers
      </h3>
      <ul className="flex flex-col gap-1.5">
        {placed(markers).map((marker) => (
          <li key={marker.id} className="flex items-center gap-2 text-sm">
            <span className="num w-14 shrink-0 text-right">{clockWords(marker.at)}</span>
            <MarkerName
              name={marker.name}
              at={marker.at}
              onChange={(name) => {
                changeMarker.act({ id: marker.id, name })
              }}
            />
            <button
              type="button"
              className="word-button text-xs font-normal!"
              aria-label={`Remove the marker at ${clockWords(marker.at)}`}
              onClick={() => {
                removeMarker.act(marker.id)
              }}
            >
              remove
            </button>
          </li>
        ))}
      </ul>
      <ProblemNote problem={changeMarker.error ?? removeMarker.error} />
    </section>
  )
}

/** Those that stand at a moment. */
function placed(markers: readonly Marker[]): (Marker & { at: number })[] {
  return markers.flatMap((marker) => (marker.at === null ? [] : [{ ...marker, at: marker.at }]))
}

function MarkerName({ name, at, onChange }: { name: string; at: number; onChange: (name: string) => void }) {
  const [text, setText] = useState(name)
  const [shownFor, setShownFor] = useState(name)
  if (shownFor !== name) {
    setShownFor(name)
    setText(name)
  }
  return (
    <input
      className="input input-xs bg-base-100 min-w-0 flex-1"
      aria-label={`Name of the marker at ${clockWords(at)}`}
      placeholder="what happened?"
      maxLength={120}
      value={text}
      onChange={(event) => {
        setText(event.target.value)
      }}
      onBlur={() => {
        if (text.trim() !== name) onChange(text.trim())
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur()
      }}
    />
  )
}
