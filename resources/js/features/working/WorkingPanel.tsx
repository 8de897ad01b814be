import { useState } from 'react'
import type { Experiment, Working, WorkingLine } from '../../lib/api/types'
import { dayAndTime } from '../../lib/ago'
import { circled } from '../../lib/format'
import { useNow } from '../../ui/useNow'
import { TrustSentences } from '../probes/TrustSentences'
import { figureText } from '../../lib/probes/figureText'
import { CompareDialog } from './CompareDialog'
import { EntriesDialog } from './EntriesDialog'

interface WorkingPanelProps {
  experiment: Experiment
  working: Working
  isUpdating: boolean
  /** Whether the results by other calibrations are shown beside. */
  isComparing: boolean
  onCompare: (isComparing: boolean) => void
}

/** The list of reasoning: each line a result, how it was found, and what it rests on. */
export function WorkingPanel({ experiment, working, isUpdating, isComparing, onCompare }: WorkingPanelProps) {
  const [isTyping, setIsTyping] = useState(false)
  const [openKey, setOpenKey] = useState<string | null>(null)
  return (
    <section className="panel flex min-h-0 flex-col" aria-labelledby="working-title" aria-busy={isUpdating}>
      <div className="flex items-baseline justify-between px-4 pt-4 pb-2">
        <h2 id="working-title" className="font-semibold">
          Working
        </h2>
        <span className="quiet text-sm">
          run {working.runNumber} · {working.lines.length} lines
        </span>
      </div>
      <div className="px-4 pb-2 text-sm">
        <CalibrationUsed
          working={working}
          onCompare={() => {
            onCompare(true)
          }}
        />
        <TrustSentences sentences={working.trustSentences} />
      </div>
      <ol
        className="min-h-0 flex-1 overflow-y-auto px-2"
        tabIndex={0}
        aria-label="Lines of working"
        data-testid="working-lines"
      >
        {working.lines.map((line) => (
          <LineItem
            key={line.key}
            line={line}
            isOpen={openKey === line.key}
            onToggle={() => {
              setOpenKey(openKey === line.key ? null : line.key)
            }}
            onType={() => {
              setIsTyping(true)
            }}
          />
        ))}
      </ol>
      <div className="border-base-300 border-t px-4 py-3">
        <button
          type="button"
          className="word-button"
          onClick={() => {
            setIsTyping(true)
          }}
        >
          Typed values …
        </button>
        <span className="quiet ml-3 text-sm">{typedSummary(experiment)}</span>
      </div>
      {isComparing ? (
        <CompareDialog
          runId={working.runId}
          onClose={() => {
            onCompare(false)
          }}
        />
      ) : null}
      {isTyping ? (
        <EntriesDialog
          experiment={experiment}
          onClose={() => {
            setIsTyping(false)
          }}
        />
      ) : null}
    </section>
  )
}

function CalibrationUsed({ working, onCompare }: { working: Working; onCompare: () => void }) {
  const now = useNow(60_000)
  const { calibration } = working
  const [figure] = calibration?.keyFigures ?? []
  return (
    <p className="quiet">
      {calibration?.keptAt == null || figure === undefined
        ? 'By the line of an ideal electrode'
        : `${working.isWorkedOutAgain ? 'Worked out again by' : 'By'} the calibration of ${dayAndTime(new Date(calibration.keptAt), now)}, ${figureText(figure)}`}{' '}
      <button type="button" className="word-button" onClick={onCompare}>
        by another …
      </button>
    </p>
  )
}

function typedSummary(experiment: Experiment): string {
  const missing = experiment.entries.filter((entry) => entry.value === null).length
  return missing === 0 ? 'all there' : missing === 1 ? '1 is missing' : `${missing} are missing`
}

interface LineItemProps {
  line: WorkingLine
  isOpen: boolean
  onToggle: () => void
  onType: () => void
}

function LineItem({ line, isOpen, onToggle, onType }: LineItemProps) {
  const { result } = line
  return (
    <li
      className={`border-base-300 grid grid-cols-[1.9rem_1fr] gap-2 rounded-md px-2 py-3 not-first:border-t ${line.number === 1 ? 'bg-(--green-paper)' : ''}`}
    >
      <span
        aria-hidden="true"
        className={`grid size-6 place-items-center rounded-full text-sm font-semibold ${
          line.number === 1 ? 'bg-primary text-primary-content' : 'border-base-content/40 border'
        }`}
      >
        {line.number}
      </span>
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline justify-between gap-x-3">
          <h3 className="font-semibold">{line.title}</h3>
          {result === null ? (
            <span className="quiet">—</span>
          ) : (
            <button
              type="button"
              className="hover:bg-base-300/60 -mr-1 ml-auto cursor-pointer rounded px-1 text-right whitespace-nowrap"
              aria-expanded={isOpen}
              title="Show all digits"
              onClick={onToggle}
            >
              <span className="num text-lg font-bold">{result.shownValue}</span>{' '}
              <span className="num quiet text-sm">
                {result.shownUncertainty === '' ? '' : `± ${result.shownUncertainty}`}{' '}
                {result.unit === 'pH' ? '' : result.unit}
              </span>
            </button>
          )}
        </div>
        {isOpen && result !== null ? (
          <p className="num text-sm break-all" data-testid={`digits-${line.key}`}>
            {result.value} ± {result.uncertainty} {result.unit}
          </p>
        ) : null}
        <p className="quiet text-sm">{line.method}</p>
        {line.formula === '' ? null : (
          <p className="text-sm">
            <span className="num">{line.formula}</span>
            {line.numbers === '' ? null : (
              <>
                <br />
                <span className="num quiet">= {line.numbers}</span>
              </>
            )}
          </p>
        )}
        {line.uses.length === 0 ? null : (
          <p className="sr-only">Rests on line {line.uses.map((number) => circled(number)).join(', ')}.</p>
        )}
        {line.warnings.map((warning) => (
          <p key={warning.code} className="mt-1 text-sm">
            <strong className="amber">{warning.title}</strong> {warning.text}
          </p>
        ))}
        {line.needs === null ? null : (
          <p className="mt-1 text-sm">
            <span className="amber font-semibold">{line.needs}</span>{' '}
            {line.needs.startsWith('Type') ? (
              <button type="button" className="word-button" onClick={onType}>
                Type it
              </button>
            ) : null}
          </p>
        )}
      </div>
    </li>
  )
}
