import type { ReactNode } from 'react'
import type { Standard } from '../../lib/api/types'
import { fixed } from '../../lib/format'
import { shownRaw } from '../../lib/probes/shown'
import { NumberField } from '../../ui/NumberField'
import { standardName, standardValue } from './standardWords'

interface StandardStepProps {
  standard: Standard
  rawUnit: string
  rawDecimals: number
  isNext: boolean
  canChange: boolean
  onRetake: () => void
  onType: (value: number) => void
  /** What is done in it while it is next. */
  children: ReactNode
}

export function StandardStep(props: StandardStepProps) {
  const { standard, isNext, children } = props
  return (
    <li className="grid grid-cols-[1.75rem_1fr] gap-2" aria-current={isNext ? 'step' : undefined}>
      <Badge state={standard.reading !== null ? 'done' : isNext ? 'next' : 'waiting'}>{standard.position + 1}</Badge>
      <div className="flex min-w-0 flex-col gap-2">
        {standard.reading !== null ? (
          <Read {...props} reading={standard.reading} />
        ) : isNext ? (
          <>
            <div>
              <span className="quiet block">{standard.instruction}</span>
              <span className="flex flex-wrap items-baseline justify-between gap-x-3">
                <span className="text-primary text-2xl font-bold">{standardName(standard)}</span>
                <ValueHere {...props} />
              </span>
            </div>
            {children}
          </>
        ) : (
          <p className="quiet">{standardName(standard)}</p>
        )}
      </div>
    </li>
  )
}

/** What the standard is worth here; typed where it is read beside the probe. */
function ValueHere({ standard, canChange, onType }: StandardStepProps) {
  if (standard.source === 'typed' && canChange) {
    return (
      <NumberField
        label={`Value of ${standardName(standard)}`}
        hideLabel
        unit={standard.unit}
        value={standard.isExample ? null : standard.value}
        widthClass="w-20"
        onChange={(value) => {
          if (value !== null) onType(value)
        }}
      />
    )
  }
  const isSaidByName =
    standard.source === 'buffer' || standard.source === 'rest' || standard.source === 'potassium-chloride'
  return isSaidByName ? null : <span className="num">{standardValue(standard.valueHere, standard.unit)}</span>
}

type Reading = NonNullable<Standard['reading']>

function Read({
  standard,
  rawUnit,
  rawDecimals,
  canChange,
  onRetake,
  onType,
  reading,
}: StandardStepProps & { reading: Reading }) {
  const raw = shownRaw(rawUnit, rawDecimals, reading.raw)
  const hasTemperature = standard.source === 'buffer' || standard.source === 'potassium-chloride'
  return (
    <div>
      <p className="flex justify-between gap-2">
        <strong>{standardName(standard)}</strong>
        <span className="num whitespace-nowrap">
          {raw.text} {raw.unit}
        </span>
      </p>
      <div className="quiet flex items-center justify-between gap-2 text-sm">
        <span>
          {standard.source === 'typed' && canChange ? (
            <NumberField
              label={`Value of ${standardName(standard)}`}
              hideLabel
              unit={standard.unit}
              value={standard.isExample ? null : standard.value}
              widthClass="w-18"
              onChange={(value) => {
                if (value !== null) onType(value)
              }}
            />
          ) : standard.isPoint ? (
            standardValue(reading.value, standard.unit)
          ) : (
            'looked at'
          )}
          {hasTemperature ? ` at ${fixed(reading.celsius, 1)} °C` : ''} · scatter {fixed(reading.scatter, rawDecimals)}{' '}
          {rawUnit}
          {reading.wasSteady || !standard.isPoint ? '' : ' · not steady'}
        </span>
        {canChange ? (
          <button type="button" className="word-button" onClick={onRetake}>
            retake
          </button>
        ) : null}
      </div>
    </div>
  )
}

export function Badge({ state, children }: { state: 'done' | 'next' | 'waiting'; children: ReactNode }) {
  const look = {
    done: 'bg-success/15 text-success',
    next: 'bg-primary text-primary-content',
    waiting: 'border-base-300 quiet border',
  }[state]
  return (
    <span className={`grid size-6 place-items-center rounded-full text-sm font-semibold ${look}`}>
      {state === 'done' ? <span aria-label="done">✓</span> : children}
    </span>
  )
}
