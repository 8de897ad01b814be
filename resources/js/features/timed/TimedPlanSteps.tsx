import { useState } from 'react'
import type { Notebook, TimedPlan } from '../../lib/api/types'
import { beginWords, durationWords, endWords, rateWords } from '../../lib/timed/words'
import { NumberField } from '../../ui/NumberField'
import { Note } from '../../ui/Note'
import { ProblemNote } from '../../ui/ProblemNote'
import { useExperimentChange } from '../notebook'
import { EventFields } from './EventFields'

const LENGTHS_S = [15, 60, 300, 600]

/** How the next timed run is recorded, in words that are pressed to change them. */
export function TimedPlanSteps({ notebook }: { notebook: Notebook }) {
  const change = useExperimentChange(notebook.id)
  const [open, setOpen] = useState<'rate' | 'begin' | 'end' | null>(null)
  const plan = notebook.plan.timed

  function handleUse(changed: Partial<TimedPlan>, isDone = true) {
    change.act({ plan: { ...plan, ...changed } }, () => {
      if (isDone) setOpen(null)
    })
  }
  function words(part: 'rate' | 'begin' | 'end', text: string) {
    return (
      <button
        type="button"
        className="word-button wraps text-left"
        aria-expanded={open === part}
        onClick={() => {
          setOpen(open === part ? null : part)
        }}
      >
        {text}
      </button>
    )
  }

  return (
    <div className="flex flex-col gap-1 text-sm">
      <p>
        <span className="quiet">Recorded</span> {words('rate', rateWords(plan.rate))}
      </p>
      {open === 'rate' ? (
        <div className="border-base-300 mb-1 flex flex-wrap gap-3 border-l-2 pl-3">
          <NumberField
            label="times a second"
            value={plan.rate}
            widthClass="w-20"
            onChange={(rate) => {
              if (rate !== null) handleUse({ rate })
            }}
          />
          <NumberField
            label="or every"
            unit="s"
            value={Number((1 / plan.rate).toPrecision(6))}
            widthClass="w-20"
            onChange={(interval) => {
              if (interval !== null && interval > 0) handleUse({ rate: 1 / interval })
            }}
          />
        </div>
      ) : null}
      <p>
        <span className="quiet">Begins</span> {words('begin', beginWords(plan, notebook.columns))}
      </p>
      {open === 'begin' ? (
        <div className="border-base-300 mb-1 border-l-2 pl-3">
          <EventFields
            hasBefore
            event={plan.begin ?? null}
            columns={notebook.columns}
            choices={[
              ['', 'at once'],
              ['above', 'when it rises above a level'],
              ['below', 'when it falls below a level'],
              ['change', 'when it changes quickly'],
              ['marker', 'when the marker is pressed'],
            ]}
            onUse={(begin) => {
              handleUse({ begin })
            }}
          />
        </div>
      ) : null}
      <p>
        <span className="quiet">Ends</span> {words('end', endWords(plan, notebook.columns))}
      </p>
      {open === 'end' ? (
        <div className="border-base-300 mb-1 flex flex-col gap-2 border-l-2 pl-3">
          <NumberField
            label="after"
            unit="s"
            value={plan.length ?? null}
            allowBlank
            onChange={(length) => {
              handleUse({ length }, false)
            }}
          />
          <p className="flex flex-wrap gap-x-3">
            {LENGTHS_S.map((length) => (
              <button
                key={length}
                type="button"
                className="word-button font-normal!"
                onClick={() => {
                  handleUse({ length }, false)
                }}
              >
                {durationWords(length)}
              </button>
            ))}
            <button
              type="button"
              className="word-button font-normal!"
              onClick={() => {
                handleUse({ length: null }, false)
              }}
            >
              until stopped
            </button>
          </p>
          <EventFields
            hasBefore={false}
            event={plan.end ?? null}
            columns={notebook.columns}
            choices={[
              ['', 'by nothing else'],
              ['steady', 'when it is steady'],
              ['above', 'when it rises above a level'],
              ['below', 'when it falls below a level'],
            ]}
            onUse={(end) => {
              handleUse({ end })
            }}
          />
        </div>
      ) : null}
      {notebook.plan.timedWarnings.map((warning) => (
        <Note key={warning.code} tone="amber" role="status">
          <strong>{warning.title}</strong> {warning.text}
        </Note>
      ))}
      <ProblemNote problem={change.error} />
    </div>
  )
}
