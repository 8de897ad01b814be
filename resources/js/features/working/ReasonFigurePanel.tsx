import { useCallback, useState, type KeyboardEvent } from 'react'
import { useSearchParams } from 'react-router'
import type { Experiment, RunSummary, Working } from '../../lib/api/types'
import { paperInk, type Ink } from '../../lib/figure/ink'
import { movePick, NOTHING, stretchSpan, type Selection } from '../../lib/figure/selection'
import { useKey } from '../../ui/useKey'
import { download, Figure, pictureOf, type FigureCanvas } from '../figure'
import { captionOf } from './caption'
import { reasonFigureOption } from './reasonFigureOption'
import { SelectionMenu } from './SelectionMenu'
import { useSpanGesture } from './useSpanGesture'

interface ReasonFigurePanelProps {
  experiment: Experiment
  working: Working
  runs: readonly RunSummary[]
  selection: Selection
  onSelect: (selection: Selection) => void
  onRun: (runId: number) => void
}

export function ReasonFigurePanel({ experiment, working, runs, selection, onSelect, onRun }: ReasonFigurePanelProps) {
  const [canvas, setCanvas] = useState<FigureCanvas | null>(null)
  const [parameters, setParameters] = useSearchParams()
  const derivative = parameters.get('derivative') === '2' ? 2 : 1
  const titrant = experiment.titrant
  const option = useCallback(
    (ink: Ink) => reasonFigureOption({ titrant, working, selection, derivative }, ink),
    [titrant, working, selection, derivative],
  )
  const handleReady = useCallback((made: FigureCanvas | null) => {
    setCanvas(made)
  }, [])
  useSpanGesture(canvas, working.readings, onSelect)
  useKey('f', () => canvas?.fit())

  function handleKeyDown(event: KeyboardEvent) {
    if (event.target !== event.currentTarget) return
    if (event.key === 'Escape') onSelect(NOTHING)
    if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return
    event.preventDefault()
    const movement = event.key === 'ArrowRight' ? 'on' : 'back'
    onSelect(
      event.shiftKey
        ? stretchSpan(working.readings, selection, movement)
        : movePick(working.readings, selection, movement),
    )
  }

  async function handlePicture(kind: 'png' | 'svg') {
    const ink = paperInk()
    const blob = await pictureOf(
      reasonFigureOption({ titrant, working, selection: NOTHING, derivative }, ink),
      kind,
      ink.paper,
    )
    download(blob, `titration-run-${working.runNumber}.${kind}`)
  }

  const result = working.lines[0]?.result
  const summary =
    `pH and its ${derivative === 1 ? 'first' : 'second'} derivative against volume of ${titrant}, ${working.readings.length} readings. ` +
    (result == null ? 'No equivalence point found.' : `Equivalence at ${result.shownValue} mL.`)

  return (
    <section className="panel flex min-h-[28rem] min-w-0 flex-col p-4" aria-labelledby="figure-title">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h2 id="figure-title" className="font-semibold">
          pH and its slope against volume of {titrant}
        </h2>
        <span className="flex-1" />
        {runs.length > 1 ? (
          <label className="text-sm">
            <span className="sr-only">Run</span>
            <select
              className="select select-xs bg-base-100 w-auto"
              value={working.runId}
              onChange={(event) => {
                onRun(Number(event.target.value))
              }}
            >
              {runs.map((run) => (
                <option key={run.id} value={run.id}>
                  Run {run.number}
                </option>
              ))}
            </select>
          </label>
        ) : null}
        <button
          type="button"
          className="word-button font-normal!"
          aria-pressed={derivative === 2}
          onClick={() => {
            setParameters({ run: String(working.runId), ...(derivative === 1 ? { derivative: '2' } : {}) })
          }}
        >
          {derivative === 1 ? 'Second derivative' : 'First derivative'}
        </button>
        <button type="button" className="word-button font-normal!" onClick={() => canvas?.fit()}>
          Fit view <kbd className="key">F</kbd>
        </button>
        <span className="text-sm">
          Save picture{' '}
          <button type="button" className="word-button" onClick={() => void handlePicture('png')}>
            PNG
          </button>{' '}
          <button type="button" className="word-button" onClick={() => void handlePicture('svg')}>
            SVG
          </button>
        </span>
      </div>
      <div
        className="relative min-h-0 flex-1 rounded-md select-none"
        tabIndex={0}
        role="group"
        aria-label="Figure: arrow keys pick a reading, Shift with arrow keys stretches a span, Escape clears"
        onKeyDown={handleKeyDown}
      >
        <Figure option={option} summary={summary} onReady={handleReady} className="cursor-crosshair" />
        <SelectionMenu
          experiment={experiment}
          working={working}
          selection={selection}
          canvas={canvas}
          onClear={() => {
            onSelect(NOTHING)
          }}
        />
      </div>
      <p className="quiet mt-2 text-sm">{captionOf(experiment, working)}</p>
    </section>
  )
}
