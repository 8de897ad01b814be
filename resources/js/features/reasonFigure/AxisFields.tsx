import { useId, useRef, useState } from 'react'
import type { Figure } from '../../lib/api/types'
import { askedAxis } from '../../lib/figure/axisUnits'
import { parseNumber, typeset } from '../../lib/format'
import { TypedField } from '../entries/TypedField'

/** What is asked of an axis; what is not said is as usual. */
export type AskedAxis = Partial<ReturnType<typeof askedAxis>>

/** Of an axis as it stands when its turn has come: what was typed just before counts, too. */
export type AxisChange = (axis: Figure['axis']) => AskedAxis

export type AxisPart = 'called' | 'from' | 'to' | 'in' | 'divided'

interface AxisFieldsProps {
  name: string
  axis: Figure['axis']
  /** Unit of the column that is drawn first. */
  unit: string
  /** What was refused, and why. */
  refusal: { part: string; words: string } | null
  onRefuse: (part: AxisPart, words: string) => void
  onChange: (part: AxisPart, change: AxisChange) => void
}

/** The ends, unit and scale of one axis, in a line, and what it is called. */
export function AxisFields({ name, axis, unit, refusal, onRefuse, onChange }: AxisFieldsProps) {
  const id = useId()
  const [isCalled, setIsCalled] = useState(false)
  const word = useRef<HTMLButtonElement>(null)
  const problemAt = (part: AxisPart) => (refusal?.part === part ? id : undefined)

  function handleEnd(which: 'from' | 'to', text: string) {
    const value = text === '' ? null : parseNumber(text)
    if (value === null && text !== '') {
      onRefuse(which, `“${text}” is no number. Type one like 5 or 0.25, or nothing for an end that fits.`)
      return
    }
    onChange(which, (now) => ({ ...askedAxis(now), [which]: value }))
  }

  return (
    <div role="group" aria-label={name} className="flex flex-wrap items-baseline gap-x-4 gap-y-1.5">
      <button
        ref={word}
        type="button"
        className="word-button m-0! min-h-6 w-full truncate text-left font-semibold! sm:w-28"
        title={`${name}: press to call it something else`}
        aria-expanded={isCalled}
        onClick={() => {
          setIsCalled(!isCalled)
        }}
      >
        {name}
      </button>
      {(['from', 'to'] as const).map((which) => (
        <TypedField
          key={which}
          label={which}
          isInline
          widthClass="w-24"
          value={axis[which] === null ? '' : typeset(String(axis[which]))}
          placeholder="by itself"
          problemAt={problemAt(which)}
          onChange={(text) => {
            handleEnd(which, text)
          }}
        />
      ))}
      <TypedField
        label="in"
        isInline
        widthClass="w-20"
        value={axis.unit ?? ''}
        placeholder={unit}
        problemAt={problemAt('in')}
        onChange={(typed) => {
          // The ends were typed in the unit before.
          onChange('in', ({ scale, label }) => ({ scale, label, unit: typed }))
        }}
      />
      <label className="flex items-baseline gap-1.5">
        <span className="quiet">divided</span>
        <select
          className="word-select"
          value={axis.scale}
          onChange={(event) => {
            const scale = event.target.value as 'linear' | 'log'
            onChange('divided', (now) => ({ ...askedAxis(now), scale }))
          }}
        >
          <option value="linear">evenly</option>
          <option value="log">by powers of ten</option>
        </select>
      </label>
      {isCalled ? (
        <TypedField
          label="called"
          isInline
          widthClass="w-72"
          value={axis.label ?? ''}
          maxLength={120}
          placeholder="as its columns; the unit comes by itself"
          isOpened
          problemAt={problemAt('called')}
          onChange={(label) => {
            onChange('called', (now) => ({ ...askedAxis(now), label }))
          }}
          onLeave={(goesTo) => {
            // The word itself, pressed, closes it.
            if (goesTo === word.current) return
            setIsCalled(false)
            setTimeout(() => {
              // Who pressed Enter goes on from the word; who went on already is left there.
              if (document.activeElement === document.body) word.current?.focus()
            })
          }}
        />
      ) : null}
      {refusal === null ? null : (
        <p id={id} role="alert" className="text-error w-full">
          {refusal.words}
        </p>
      )}
    </div>
  )
}
