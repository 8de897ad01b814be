import { useState } from 'react'
import { slideRange } from '../../lib/relations/picture'

interface StartSlidersProps {
  /** Where the search begins, by constant. */
  start: Readonly<Record<string, number>>
  onStart: (start: Record<string, number>) => void
}

/** Where the search for the constants begins: a slider each, which moves the dashed curve. */
export function StartSliders({ start, onStart }: StartSlidersProps) {
  // A slider keeps its ends while it is held.
  const [ranges, setRanges] = useState(() => rangesOf(start))
  if (Object.keys(ranges).join() !== Object.keys(start).join()) setRanges(rangesOf(start))
  return (
    <div className="grid gap-x-4 gap-y-1 sm:grid-cols-2" role="group" aria-label="Where the search begins">
      {Object.entries(start).map(([name, value]) => {
        const range = ranges[name] ?? slideRange(value)
        return (
          <label key={name} className="grid grid-cols-[2rem_1fr_5rem] items-center gap-2 text-sm">
            <span className="num font-semibold">{name}</span>
            <input
              type="range"
              className="range range-xs"
              aria-label={`Start of ${name}`}
              min={range.min}
              max={range.max}
              step={range.step}
              value={value}
              onChange={(event) => {
                onStart({ ...start, [name]: Number(Number(event.target.value).toPrecision(6)) })
              }}
              onPointerUp={() => {
                setRanges(rangesOf(start))
              }}
            />
            <span className="num text-right">{Number(value.toPrecision(4))}</span>
          </label>
        )
      })}
    </div>
  )
}

function rangesOf(start: Readonly<Record<string, number>>) {
  return Object.fromEntries(Object.entries(start).map(([name, value]) => [name, slideRange(value)]))
}
