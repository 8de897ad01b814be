import { useState } from 'react'
import type { Notebook, RunRows, RunSummary } from '../../lib/api/types'
import { amountWords, putInPlaceOf } from '../../lib/notebook/runs'
import { ProblemNote } from '../../ui/ProblemNote'
import { useMoveRun } from '../notebook'
import { MarkerList } from '../timed'
import { DescribeRun } from './DescribeRun'
import { RunSwatch } from '../../ui/RunSwatch'

interface RunsPanelProps {
  notebook: Notebook
  current: RunSummary | null
  rows: RunRows | null
  /** Runs that are not drawn. */
  hidden: readonly number[]
  onHidden: (ids: number[]) => void
  onRun: (id: number) => void
}

/** The runs of the notebook beside the figure: which is in hand, which are drawn with it, and its markers. */
export function RunsPanel({ notebook, current, rows, hidden, onHidden, onRun }: RunsPanelProps) {
  const runs = [...notebook.runs].reverse()
  const [described, setDescribed] = useState<number | null>(null)
  const [dragged, setDragged] = useState<number | null>(null)
  const move = useMoveRun(notebook.id)
  return (
    <section className="panel flex min-h-0 flex-col" aria-labelledby="runs-title">
      <h2 id="runs-title" className="px-4 pt-4 pb-2 font-semibold">
        Runs
      </h2>
      {runs.length === 0 ? (
        <p className="quiet px-4 pb-4">
          Each run becomes a line here, and stays beside the next one to compare. While it records, M drops a marker.
        </p>
      ) : (
        <ul className="min-h-0 flex-1 overflow-y-auto pb-2" aria-label="Runs">
          {runs.map((run, place) => (
            <li
              key={run.id}
              draggable={runs.length > 1}
              onDragStart={() => {
                setDragged(run.id)
              }}
              onDragEnd={() => {
                setDragged(null)
              }}
              onDragOver={(event) => {
                if (dragged !== null && dragged !== run.id) event.preventDefault()
              }}
              onDrop={() => {
                if (dragged !== null) move.act({ run: dragged, before: putInPlaceOf(notebook.runs, dragged, run.id) })
              }}
              className={`border-base-300 flex items-center gap-2 border-t px-4 py-2 ${run.id === current?.id ? 'bg-(--green-paper)' : ''}`}
            >
              <RunSwatch number={run.number} isFaint={run.id !== current?.id} />
              <button
                type="button"
                className={`min-w-0 flex-1 cursor-pointer text-left ${run.id === current?.id ? 'font-bold' : ''}`}
                aria-current={run.id === current?.id ? 'true' : undefined}
                onClick={() => {
                  onRun(run.id)
                }}
              >
                <span className="block truncate">{run.name}</span>
                <span className="quiet block truncate text-sm font-normal">{stateWords(run)}</span>
              </button>
              {runs.length < 2 || run.id !== current?.id ? null : (
                <MoveButtons
                  name={run.name}
                  above={runs[place - 1]?.id ?? null}
                  below={runs[place + 1]?.id ?? null}
                  onInPlaceOf={(other) => {
                    move.act({ run: run.id, before: putInPlaceOf(notebook.runs, run.id, other) })
                  }}
                />
              )}
              {run.id === current?.id ? (
                <button
                  type="button"
                  className="word-button text-sm font-normal!"
                  aria-expanded={described === run.id}
                  onClick={() => {
                    setDescribed(described === run.id ? null : run.id)
                  }}
                >
                  describe
                </button>
              ) : (
                <label className="flex items-center gap-1 text-sm">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-xs"
                    checked={!hidden.includes(run.id)}
                    onChange={(event) => {
                      onHidden(event.target.checked ? hidden.filter((id) => id !== run.id) : [...hidden, run.id])
                    }}
                  />
                  show
                </label>
              )}
            </li>
          ))}
        </ul>
      )}
      <ProblemNote problem={move.error} />
      {current !== null && described === current.id ? (
        <DescribeRun
          run={current}
          experimentId={notebook.id}
          onDone={() => {
            setDescribed(null)
          }}
        />
      ) : null}
      {current === null || rows?.timed == null ? null : (
        <MarkerList runId={current.id} experimentId={notebook.id} markers={rows.markers} />
      )}
    </section>
  )
}

interface MoveButtonsProps {
  name: string
  above: number | null
  below: number | null
  onInPlaceOf: (other: number) => void
}

/** For the keyboard what dragging is for the hand. */
function MoveButtons({ name, above, below, onInPlaceOf }: MoveButtonsProps) {
  const ways = [
    ['↑', 'up', above],
    ['↓', 'down', below],
  ] as const
  return ways.map(([sign, way, other]) => (
    <button
      key={way}
      type="button"
      className="word-button font-normal!"
      aria-label={`Move ${name} ${way}`}
      disabled={other === null}
      onClick={() => {
        if (other !== null) onInPlaceOf(other)
      }}
    >
      {sign}
    </button>
  ))
}

function stateWords(run: RunSummary): string {
  const about = [run.condition, run.trial === null ? null : `trial ${run.trial}`].filter((part) => part !== null)
  return [...about, amountWords(run)].join(' · ')
}
