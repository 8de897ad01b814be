import { useState } from 'react'
import { sentenceOf } from '../../lib/api/problem'
import type { Experiment, Reading, Working } from '../../lib/api/types'
import { readingsIn, type Selection } from '../../lib/figure/selection'
import { countOf, volume } from '../../lib/format'
import { useChangeExperiment } from '../experiments/useChangeExperiment'
import type { FigureCanvas } from '../figure'
import { SetAsideDialog } from './SetAsideDialog'
import { useSetAside } from './useSetAside'

interface SelectionMenuProps {
  experiment: Experiment
  working: Working
  selection: Selection
  canvas: FigureCanvas | null
  onClear: () => void
}

const WIDTH_PX = 300

/** What can be done with the span or the reading just picked, in words beside it. */
export function SelectionMenu({ experiment, working, selection, canvas, onClear }: SelectionMenuProps) {
  const change = useChangeExperiment(experiment.id)
  const { takeBack } = useSetAside(experiment.id)
  const [asking, setAsking] = useState<readonly Reading[] | null>(null)
  if (selection.kind === 'none' && working.span === null && asking === null) return null

  const place = placeOf(selection, working, canvas)
  return (
    <>
      {place === null ? null : (
        <div
          className="panel border-primary/60 absolute z-10 px-3 py-2 text-sm shadow-sm"
          style={{ left: place.x, top: place.y, width: WIDTH_PX }}
        >
          {selection.kind === 'span' ? (
            <SpanWords
              from={selection.from}
              to={selection.to}
              readings={readingsIn(working.readings, selection.from, selection.to)}
              onLook={() => {
                change.mutate({ span: [selection.from, selection.to] }, { onSuccess: onClear })
              }}
              onSetAside={setAsking}
              onClear={onClear}
            />
          ) : selection.kind === 'reading' ? (
            <ReadingWords
              reading={working.readings.find(({ id }) => id === selection.id)}
              onSetAside={setAsking}
              onTakeBack={(reading) => {
                takeBack(reading)
              }}
              onClear={onClear}
            />
          ) : null}
          {change.isError ? (
            <p role="alert" className="text-error">
              {sentenceOf(change.error)}
            </p>
          ) : null}
        </div>
      )}
      {working.span !== null && selection.kind === 'none' ? (
        <p className="panel absolute top-1 right-7 z-10 px-3 py-1 text-sm">
          working looks from {volume(working.span[0] ?? 0)} to {volume(working.span[1] ?? 0)} mL{' '}
          <button
            type="button"
            className="word-button"
            onClick={() => {
              change.mutate({ span: null })
            }}
          >
            look everywhere
          </button>
        </p>
      ) : null}
      {asking !== null ? (
        <SetAsideDialog
          experimentId={experiment.id}
          readings={asking}
          onClose={() => {
            setAsking(null)
            onClear()
          }}
        />
      ) : null}
    </>
  )
}

interface SpanWordsProps {
  from: number
  to: number
  readings: readonly Reading[]
  onLook: () => void
  onSetAside: (readings: readonly Reading[]) => void
  onClear: () => void
}

function SpanWords({ from, to, readings, onLook, onSetAside, onClear }: SpanWordsProps) {
  return (
    <>
      <p className="quiet">
        {volume(from)} to {volume(to)} mL · {countOf(readings.length, 'reading')}
      </p>
      <p className="flex flex-wrap gap-x-4">
        <button type="button" className="word-button" onClick={onLook}>
          equivalence here
        </button>
        <button
          type="button"
          className="word-button"
          disabled={readings.length === 0}
          onClick={() => {
            onSetAside(readings)
          }}
        >
          set aside
        </button>
        <button type="button" className="word-button" onClick={onClear}>
          clear
        </button>
      </p>
    </>
  )
}

interface ReadingWordsProps {
  reading: Reading | undefined
  onSetAside: (readings: readonly Reading[]) => void
  onTakeBack: (reading: Reading) => void
  onClear: () => void
}

function ReadingWords({ reading, onSetAside, onTakeBack, onClear }: ReadingWordsProps) {
  if (reading === undefined) return null
  const isAside = reading.setAsideReason !== null
  return (
    <>
      <p className="quiet">
        {volume(reading.volume)} mL · pH {reading.ph?.shownValue ?? '—'} ± {reading.ph?.shownUncertainty ?? ''}
        {reading.wasSteady ? '' : ' · not steady'}
      </p>
      {isAside ? <p className="quiet">set aside: {reading.setAsideReason}</p> : null}
      <p className="flex gap-x-4">
        <button
          type="button"
          className="word-button"
          onClick={() => {
            if (isAside) onTakeBack(reading)
            else onSetAside([reading])
          }}
        >
          {isAside ? 'take back' : 'set aside'}
        </button>
        <button type="button" className="word-button" onClick={onClear}>
          clear
        </button>
      </p>
    </>
  )
}

/** Beside the span or the reading, and always inside the figure. */
function placeOf(selection: Selection, working: Working, canvas: FigureCanvas | null): { x: number; y: number } | null {
  if (canvas === null || selection.kind === 'none') return null
  const reading = selection.kind === 'reading' ? working.readings.find(({ id }) => id === selection.id) : undefined
  const x = selection.kind === 'span' ? selection.to : (reading?.volume ?? 0)
  const middle = working.readings.map((r) => r.ph?.value ?? 7)
  const ph = selection.kind === 'span' ? (Math.min(...middle) + Math.max(...middle)) / 2 : (reading?.ph?.value ?? 7)
  const [px, py] = canvas.toPixel(0, x, ph)
  return { x: Math.max(0, Math.min(px + 14, canvas.width - WIDTH_PX - 8)), y: Math.max(4, py + 14) }
}
