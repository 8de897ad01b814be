import { useQuery, keepPreviousData } from '@tanstack/react-query'
import { useEffect, useId, useRef, useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Notebook } from '../../lib/api/types'
import { unitText } from '../../lib/notebook/labels'
import { offers } from '../../lib/table/completion'
import { useColumns } from '../notebook'
import { Typeset } from '../../ui/Typeset'

interface FormulaFieldProps {
  notebook: Notebook
  label: string
  value: string
  unit: string
  /** Symbol of the column it is for; null for a new one. */
  of: string | null
  onChange: (formula: string) => void
  /** Left, or Enter pressed. */
  onDone?: () => void
}

const PAUSE_MS = 250

/** A formula that is checked while it is typed: what it reads as, which unit comes out, or what is wrong and where. */
export function FormulaField({ notebook, label, value, unit, of, onChange, onDone }: FormulaFieldProps) {
  const id = useId()
  const ref = useRef<HTMLInputElement>(null)
  const [caret, setCaret] = useState<number | null>(null)
  const [asked, setAsked] = useState(value)
  const { change } = useColumns(notebook.id)
  useEffect(() => {
    const timer = setTimeout(() => {
      setAsked(value)
    }, PAUSE_MS)
    return () => {
      clearTimeout(timer)
    }
  }, [value])
  const check = useQuery({
    queryKey: ['formula', notebook.id, notebook.revision, asked, unit, of],
    queryFn: () =>
      answerOf(
        api.POST('/api/experiments/{experiment}/formula', {
          params: { path: { experiment: notebook.id } },
          body: { formula: asked, unit: unit === '' ? null : unit, of },
        }),
      ),
    enabled: asked.trim() !== '',
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  })
  const told = asked === value && value.trim() !== '' ? check.data : undefined
  const symbols = [...notebook.columns, ...notebook.entries, ...notebook.lines].map(({ symbol }) => symbol)
  const offered = caret === null ? [] : offers(value, caret, symbols)
  const inKelvin = notebook.columns.find(({ symbol }) => symbol === told?.inKelvin)

  return (
    <div className="flex min-w-0 flex-col gap-1">
      <label htmlFor={id} className="quiet text-sm">
        {label}
      </label>
      <input
        ref={ref}
        id={id}
        className={`input input-sm num bg-base-100 w-full ${told?.problem == null ? '' : 'input-error'}`}
        value={value}
        placeholder="P * V"
        maxLength={400}
        autoComplete="off"
        spellCheck={false}
        aria-describedby={`${id}-told`}
        onChange={(event) => {
          onChange(event.target.value)
          setCaret(event.target.selectionStart)
        }}
        onSelect={(event) => {
          if (caret !== null) setCaret(event.currentTarget.selectionStart)
        }}
        onBlur={() => {
          onDone?.()
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setCaret(null)
          if (event.key === 'Enter' && onDone !== undefined) {
            event.preventDefault()
            onDone()
          }
        }}
      />
      {offered.length === 0 ? null : (
        <p className="flex flex-wrap gap-x-3 text-sm" aria-label="It may become">
          {offered.map(({ words, text, caret: to }) => (
            <button
              key={words}
              type="button"
              className="word-button num font-normal!"
              onPointerDown={(event) => {
                // The field keeps the focus, so that typing goes on.
                event.preventDefault()
              }}
              onClick={() => {
                onChange(text)
                setCaret(null)
                requestAnimationFrame(() => {
                  ref.current?.focus()
                  ref.current?.setSelectionRange(to, to)
                })
              }}
            >
              {words}
            </button>
          ))}
        </p>
      )}
      <div id={`${id}-told`} className="text-sm" aria-live="polite">
        {told === undefined ? null : (
          <>
            {told.reads === null ? null : (
              <p>
                <span className="quiet">reads as</span> <Typeset tree={told.reads} />{' '}
                {told.unit === null ? null : (
                  <span className="quiet">{told.unit === '' ? 'a plain number' : `in ${unitText(told.unit)}`}</span>
                )}
              </p>
            )}
            {told.notes.map((note) => (
              <p key={note} className="quiet">
                {note}
              </p>
            ))}
            {told.problem === null ? null : (
              <p className="text-error">
                {told.problem}{' '}
                {inKelvin === undefined ? null : (
                  <button
                    type="button"
                    className="word-button"
                    onPointerDown={(event) => {
                      event.preventDefault()
                    }}
                    onClick={() => {
                      change.act({ column: inKelvin.id, unit: 'K' })
                    }}
                  >
                    use {inKelvin.symbol} in kelvin
                  </button>
                )}
              </p>
            )}
          </>
        )}
      </div>
    </div>
  )
}
