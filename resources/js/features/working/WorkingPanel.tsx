import { useState } from 'react'
import { dayAndTime } from '../../lib/ago'
import type { Line, Notebook, RunRows, RunSummary, WorkedLine } from '../../lib/api/types'
import type { Selection } from '../../lib/figure/selection'
import { countOf } from '../../lib/format'
import { figureText } from '../../lib/probes/figureText'
import { useKey } from '../../ui/useKey'
import { useNow } from '../../ui/useNow'
import { EntriesDialog, missingEntries, ThingsDialog } from '../entries'
import { TrustSentences } from '../probes/TrustSentences'
import { AddLineDialog } from './AddLineDialog'
import { CompareDialog } from './CompareDialog'
import { LineItem } from './LineItem'

interface WorkingPanelProps {
  notebook: Notebook
  worked: readonly WorkedLine[]
  run: RunSummary
  rows: RunRows
  selection: Selection
  /** Whether the results by other calibrations are shown beside. */
  isComparing: boolean
  onCompare: (isComparing: boolean) => void
}

type Shown = 'entries' | 'things' | 'add' | null

/** The list of reasoning: each line a result, how it was found, and what it rests on. */
export function WorkingPanel({ notebook, worked, run, rows, selection, isComparing, onCompare }: WorkingPanelProps) {
  const [shown, setShown] = useState<Shown>(null)
  const [openSymbol, setOpenSymbol] = useState<string | null>(null)
  const of = (line: Line) =>
    worked.find(({ symbol, runId }) => symbol === line.symbol && runId === (line.isPerRun ? run.id : null)) ?? null
  const missing = missingEntries(notebook).length
  useKey('/', () => {
    setShown('add')
  })
  function handleClose() {
    setShown(null)
  }

  return (
    <section className="panel flex min-h-0 flex-col" aria-labelledby="working-title">
      <div className="flex items-baseline justify-between px-4 pt-4 pb-2">
        <h2 id="working-title" className="font-semibold">
          Working
        </h2>
        <span className="quiet text-sm">
          {run.name.replace(/^Run /, 'run ')} · {countOf(notebook.lines.length, 'line')} ·{' '}
          <button
            type="button"
            className="word-button"
            title="Or press /"
            onClick={() => {
              setShown('add')
            }}
          >
            + line
          </button>
        </span>
      </div>
      <div className="px-4 pb-2 text-sm">
        <CalibrationUsed
          rows={rows}
          onCompare={() => {
            onCompare(true)
          }}
        />
        <TrustSentences sentences={rows.trustSentences} />
      </div>
      <ol
        className="min-h-0 flex-1 overflow-y-auto px-2"
        tabIndex={0}
        aria-label="Lines of working"
        data-testid="working-lines"
      >
        {notebook.lines.map((line, index) => (
          <LineItem
            key={line.id}
            notebook={notebook}
            line={line}
            place={index + 1}
            worked={of(line)}
            rows={rows}
            isOpen={openSymbol === line.symbol}
            onToggle={() => {
              setOpenSymbol(openSymbol === line.symbol ? null : line.symbol)
            }}
            onType={() => {
              setShown('entries')
            }}
          />
        ))}
        {notebook.lines.length === 0 ? (
          <li className="quiet px-2 py-3">
            No line yet. Drag over the figure, or press “+ line”, and what fits is offered in words.
          </li>
        ) : null}
      </ol>
      <div className="border-base-300 flex flex-wrap gap-x-4 border-t px-4 py-3">
        <button
          type="button"
          className="word-button"
          onClick={() => {
            setShown('entries')
          }}
        >
          Typed values …
        </button>
        <span className="quiet text-sm">
          {missing === 0 ? 'all there' : missing === 1 ? '1 is missing' : `${missing} are missing`}
        </span>
        <span className="flex-1" />
        <button
          type="button"
          className="word-button font-normal!"
          onClick={() => {
            setShown('things')
          }}
        >
          columns and entries
        </button>
      </div>
      {isComparing ? (
        <CompareDialog
          runId={run.id}
          experimentId={notebook.id}
          onClose={() => {
            onCompare(false)
          }}
        />
      ) : null}
      {shown === 'entries' ? <EntriesDialog notebook={notebook} runId={run.id} onClose={handleClose} /> : null}
      {shown === 'things' ? <ThingsDialog notebook={notebook} onClose={handleClose} /> : null}
      {shown === 'add' ? <AddLineDialog notebook={notebook} selection={selection} onClose={handleClose} /> : null}
    </section>
  )
}

/** By what the first column that is measured by a calibration is read. */
function CalibrationUsed({ rows, onCompare }: { rows: RunRows; onCompare: () => void }) {
  const now = useNow(60_000)
  const channel = rows.channels.find(({ role }) => role !== null)
  if (channel === undefined) return null
  const [figure] = channel.calibration?.keyFigures ?? []
  return (
    <p className="quiet">
      {channel.calibration?.keptAt == null || figure === undefined
        ? `${channel.probe.title} by its maker’s line`
        : `${channel.isWorkedOutAgain ? 'Worked out again by' : 'By'} the calibration of ${dayAndTime(new Date(channel.calibration.keptAt), now)}, ${figureText(figure)}`}{' '}
      <button type="button" className="word-button" onClick={onCompare}>
        by another …
      </button>
    </p>
  )
}
