import { useState } from 'react'
import type { Goodness, Line, Measured, Notebook, RunRows, WorkedLine } from '../../lib/api/types'
import { copyText, NOT_COPIED } from '../../lib/copyText'
import { typeset } from '../../lib/format'
import { unitBehind, unitText } from '../../lib/notebook/labels'
import { useNotices } from '../../ui/notices'
import { ProblemNote } from '../../ui/ProblemNote'
import { useLines, useUndo } from '../notebook'
import { EditLine } from './EditLine'
import { LineGoodness } from './LineGoodness'

interface LineDetailsProps {
  notebook: Notebook
  line: Line
  place: number
  worked: WorkedLine | null
  rows: RunRows
}

/** All digits, further results, where the ± comes from, and what can be done with the line. */
export function LineDetails({ notebook, line, place, worked, rows }: LineDetailsProps) {
  const lines = useLines(notebook.id)
  const { undo } = useUndo(notebook.id)
  const { tell } = useNotices()
  const [isEditing, setIsEditing] = useState(false)
  const outcomes = worked?.outcomes ?? []
  async function handleCopy({ value, unit }: Measured) {
    const text = `${value} ${unitText(unit)}`.trim()
    tell((await copyText(text)) ? `${typeset(text)} is copied.` : NOT_COPIED)
  }
  const problem = lines.change.error ?? lines.copy.error ?? lines.remove.error
  return (
    <div className="note mt-2 text-sm">
      {outcomes.map(({ name, words, measured }, index) => (
        <p key={name} className="wrap-anywhere">
          {outcomes.length === 1 ? null : (
            <span className="quiet">
              {words} <span className="num">{index === 0 ? line.symbol : `${line.symbol}.${name}`}</span>:{' '}
            </span>
          )}
          <span className="num" data-testid={index === 0 ? `digits-${line.symbol}` : undefined}>
            {typeset(String(measured.value))}
            {measured.uncertainty > 0 ? ` ± ${measured.uncertainty}` : ''} {unitBehind(measured.unit, 'pH')}
          </span>{' '}
          <button
            type="button"
            className="word-button font-normal!"
            aria-label={`Copy ${index === 0 ? line.symbol : `${line.symbol}.${name}`} with all digits and its unit`}
            onClick={() => void handleCopy(measured)}
          >
            copy
          </button>
          <Interval goodness={worked?.goodness ?? null} name={name} />
        </p>
      ))}
      {worked?.goodness == null ? null : <LineGoodness notebook={notebook} line={line} worked={worked} rows={rows} />}
      {worked === null || worked.sources.length === 0 ? null : (
        <>
          <p className="mt-1 font-semibold">Where its ± comes from</p>
          <ul aria-label={`Sources of the uncertainty of ${line.shownTitle}`}>
            {worked.sources.map(({ words, percent }) => (
              <li key={words} className="grid grid-cols-[1fr_4rem_3rem] items-center gap-2">
                <span>{words}</span>
                <span aria-hidden="true" className="bg-base-300 h-2 rounded-full">
                  <span className="bg-primary block h-2 rounded-full" style={{ width: `${Math.max(2, percent)}%` }} />
                </span>
                <span className="num text-right">{percent < 1 ? '< 1' : percent.toFixed(0)} %</span>
              </li>
            ))}
          </ul>
        </>
      )}
      {worked === null || worked.source === '' ? null : <p className="quiet mt-1">{worked.source}</p>}
      <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
        <button
          type="button"
          className="word-button"
          onClick={() => {
            setIsEditing(true)
          }}
        >
          change
        </button>
        <button
          type="button"
          className="word-button"
          disabled={place === 1}
          onClick={() => {
            lines.change.act({ line: line.id, place: place - 1 })
          }}
        >
          up
        </button>
        <button
          type="button"
          className="word-button"
          disabled={place === notebook.lines.length}
          onClick={() => {
            lines.change.act({ line: line.id, place: place + 1 })
          }}
        >
          down
        </button>
        <button
          type="button"
          className="word-button"
          onClick={() => {
            lines.copy.act(line.id)
          }}
        >
          copy line
        </button>
        {line.spanId === null ? null : (
          <button
            type="button"
            className="word-button"
            onClick={() => {
              lines.change.act({ line: line.id, spanId: null })
            }}
          >
            look everywhere
          </button>
        )}
        <button
          type="button"
          className="word-button"
          onClick={() => {
            lines.remove.act(line.id, () => {
              tell(`“${line.shownTitle}” is removed.`, () => {
                undo.act()
              })
            })
          }}
        >
          remove
        </button>
      </p>
      <ProblemNote problem={problem} />
      {isEditing ? (
        <EditLine
          notebook={notebook}
          line={line}
          onClose={() => {
            setIsEditing(false)
          }}
        />
      ) : null}
    </div>
  )
}

/** The 95 % interval of a constant that was fitted. */
function Interval({ goodness, name }: { goodness: Goodness | null; name: string }) {
  const interval = goodness?.intervals.find((one) => one.name === name)
  return interval === undefined ? null : (
    <span className="quiet">
      {' '}
      (95 %: {typeset(interval.shownLow)} to {typeset(interval.shownHigh)})
    </span>
  )
}
