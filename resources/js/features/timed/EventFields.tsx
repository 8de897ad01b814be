import { useState } from 'react'
import type { Column, RunEvent } from '../../lib/api/types'
import { unitBehind } from '../../lib/notebook/labels'
import { NumberField } from '../../ui/NumberField'

interface EventFieldsProps {
  /** What can be chosen, with its words; '' is none. */
  choices: readonly (readonly ['' | RunEvent['when'], string])[]
  event: RunEvent | null
  columns: readonly Column[]
  /** Whether what was before can be kept. */
  hasBefore: boolean
  onUse: (event: RunEvent | null) => void
}

const HAS_LEVEL = ['above', 'below', 'change']

/** What a run waits for: which column, and what of it. */
export function EventFields({ choices, event, columns, hasBefore, onUse }: EventFieldsProps) {
  const measured = columns.filter(({ kind }) => kind === 'measured')
  const [when, setWhen] = useState<'' | RunEvent['when']>(event?.when ?? '')
  const [symbol, setSymbol] = useState(event?.column ?? measured[0]?.symbol ?? '')
  // A level says nothing of a change, nor the other way round.
  const [sizes, setSizes] = useState<{ level: number | null; change: number | null }>({
    level: null,
    change: null,
    ...(event?.level === undefined ? {} : { [event.when === 'change' ? 'change' : 'level']: event.level }),
  })
  const [within, setWithin] = useState(event?.within ?? 1)
  const [before, setBefore] = useState(event?.before ?? (hasBefore ? 2 : 0))
  const column = measured.find((one) => one.symbol === symbol)
  const unit = column === undefined ? '' : unitBehind(column.unit, column.symbol)
  const hasLevel = HAS_LEVEL.includes(when)
  const size = when === 'change' ? 'change' : 'level'
  const level = sizes[size]
  const isComplete = when === '' || when === 'marker' || (symbol !== '' && (!hasLevel || level !== null))

  function handleUse() {
    if (when === '') {
      onUse(null)
      return
    }
    onUse({
      when,
      ...(when === 'marker' ? {} : { column: symbol }),
      ...(hasLevel && level !== null ? { level } : {}),
      ...(when === 'change' ? { within } : {}),
      ...(hasBefore ? { before } : {}),
    })
  }

  return (
    <div className="flex flex-col gap-2">
      <label className="flex flex-col gap-0.5">
        <span className="quiet text-sm">{hasBefore ? 'It begins' : 'It ends, besides'}</span>
        <select
          className="select select-sm bg-base-100"
          value={when}
          onChange={(changed) => {
            setWhen(changed.target.value as typeof when)
          }}
        >
          {choices.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {when === '' || when === 'marker' ? null : (
        <label className="flex flex-col gap-0.5">
          <span className="quiet text-sm">of</span>
          <select
            className="select select-sm bg-base-100"
            value={symbol}
            onChange={(changed) => {
              setSymbol(changed.target.value)
            }}
          >
            {measured.map((one) => (
              <option key={one.id} value={one.symbol}>
                {one.shownName}
              </option>
            ))}
          </select>
        </label>
      )}
      <div className="flex flex-wrap gap-3">
        {hasLevel ? (
          <NumberField
            label={when === 'change' ? 'by' : 'level'}
            unit={unit}
            value={level}
            onChange={(value) => {
              setSizes({ ...sizes, [size]: value })
            }}
            widthClass="w-20"
          />
        ) : null}
        {when === 'change' ? (
          <NumberField
            label="within"
            unit="s"
            value={within}
            widthClass="w-16"
            onChange={(value) => {
              if (value !== null) setWithin(value)
            }}
          />
        ) : null}
        {hasBefore && when !== '' ? (
          <NumberField
            label="kept from before"
            unit="s"
            value={before}
            widthClass="w-16"
            onChange={(value) => {
              if (value !== null) setBefore(value)
            }}
          />
        ) : null}
      </div>
      <button type="button" className="btn btn-sm btn-outline self-start" disabled={!isComplete} onClick={handleUse}>
        Use this
      </button>
    </div>
  )
}
