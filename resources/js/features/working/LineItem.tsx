import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import type { Line, Measured, Notebook, RunRows, WorkedLine } from '../../lib/api/types'
import { circled, typeset } from '../../lib/format'
import { measuredText, spanText, unitBehind } from '../../lib/notebook/labels'
import { LineDetails } from './LineDetails'
import { Typeset } from '../../ui/Typeset'

/** What a line that leaves a pattern is warned of: another way to plot its columns may not. */
const BENDS = 'bends'

interface LineItemProps {
  notebook: Notebook
  line: Line
  place: number
  worked: WorkedLine | null
  rows: RunRows
  isOpen: boolean
  onToggle: () => void
  onType: () => void
}

/** One line: its result big, how it was found, the formula as in print; pressed, all digits and where its ± comes from. */
export function LineItem({ notebook, line, place, worked, rows, isOpen, onToggle, onType }: LineItemProps) {
  const result = worked?.result ?? null
  const before = useBefore(result)
  const rests = (worked?.rests ?? []).map((symbol) =>
    circled(notebook.lines.findIndex((one) => one.symbol === symbol) + 1),
  )
  const span = notebook.spans.find(({ id }) => id === line.spanId)
  return (
    <li
      className={`border-base-300 grid grid-cols-[1.9rem_1fr] gap-2 rounded-md px-2 py-2.5 not-first:border-t ${place === 1 ? 'bg-(--green-paper)' : ''}`}
    >
      <span
        aria-hidden="true"
        className={`grid size-6 place-items-center rounded-full text-sm font-semibold ${place === 1 ? 'bg-primary text-primary-content' : 'border-base-content/40 border'}`}
      >
        {place}
      </span>
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline justify-between gap-x-3">
          <h3 className="font-semibold">
            {line.shownTitle} <span className="num quiet text-sm font-normal">{line.symbol}</span>
          </h3>
          <button
            type="button"
            className="hover:bg-base-300/60 -mr-1 ml-auto cursor-pointer rounded px-1 text-right whitespace-nowrap"
            aria-expanded={isOpen}
            aria-label={`${result === null ? 'no result' : measuredText(result, 'pH')}, more of ${line.shownTitle}`}
            title="Show all digits, and where its ± comes from"
            onClick={onToggle}
          >
            {result === null ? (
              <span className="quiet">—</span>
            ) : (
              <>
                <span className="num text-lg font-bold">{typeset(result.shownValue)}</span>{' '}
                <span className="num quiet text-sm">
                  {result.shownUncertainty === '' ? '' : `± ${result.shownUncertainty}`} {unitBehind(result.unit, 'pH')}
                </span>
              </>
            )}
          </button>
        </div>
        {before === null || result === null ? null : (
          <p role="status" className="text-primary text-sm">
            {circled(place)} {typeset(before.shownValue)} → {typeset(result.shownValue)} {unitBehind(result.unit, 'pH')}
          </p>
        )}
        <p className="quiet text-sm">
          {line.onlyRun === null ? '' : `In run ${line.onlyRun}: `}
          {span === undefined
            ? (worked?.method ?? line.method)
            : `${(worked?.method ?? line.method).replace(/\.$/, '')}; over “${span.name}”, ${spanText(span, notebook.columns)}`}
        </p>
        {worked?.explanation == null ? null : (
          <p className="overflow-x-auto overflow-y-hidden py-0.5 text-[0.95rem]">
            <Typeset tree={worked.explanation.symbols} />
            {worked.explanation.numbers === null ? null : (
              <>
                {' '}
                <span className="quiet">
                  <Typeset
                    tree={{ kind: 'equals', parts: [{ kind: 'words', text: '' }, worked.explanation.numbers] }}
                  />
                </span>
              </>
            )}
          </p>
        )}
        {rests.length === 0 ? null : <p className="sr-only">Rests on line {rests.join(', ')}.</p>}
        {(worked?.warnings ?? []).map((warning) => (
          <p key={warning.code} className="mt-1 text-sm">
            <strong className="amber">{warning.title}</strong> {warning.text}
            {warning.code === BENDS && line.uses.x !== undefined && line.uses.y !== undefined ? (
              <>
                {' '}
                <Link
                  className="word-button"
                  to={`?${worked?.runId == null ? '' : `run=${worked.runId}&`}ways=${line.uses.x},${line.uses.y}`}
                >
                  which way is it straight?
                </Link>
              </>
            ) : null}
          </p>
        ))}
        {worked?.problem == null ? null : (
          <p role="alert" className="text-error mt-1 text-sm">
            {worked.problem}
          </p>
        )}
        {worked?.needs == null ? null : (
          <p className="mt-1 text-sm">
            <span className="amber font-semibold">{worked.needs}</span>{' '}
            {worked.needs.startsWith('Type') ? (
              <button type="button" className="word-button" onClick={onType}>
                Type it
              </button>
            ) : null}
          </p>
        )}
        {isOpen ? <LineDetails notebook={notebook} line={line} place={place} worked={worked} rows={rows} /> : null}
      </div>
    </li>
  )
}

const TOLD_MS = 8000

/** What the result was until a moment ago, as long as that is news. */
function useBefore(result: Measured | null): Measured | null {
  const last = useRef(result)
  const [before, setBefore] = useState<Measured | null>(null)
  useEffect(() => {
    const was = last.current
    last.current = result
    if (was === null || result === null || was.shownValue === result.shownValue) return
    setBefore(was)
    const timer = setTimeout(() => {
      setBefore(null)
    }, TOLD_MS)
    return () => {
      clearTimeout(timer)
    }
  }, [result])
  return before
}
