import { useState, type ReactNode } from 'react'
import type { Act, Control } from '../../lib/api/types'
import { NumberField } from '../../ui/NumberField'

interface ControlGroupProps {
  control: Control
  onAct: (act: Act) => void
}

/** One group of things hands can do at a simulated bench, as the bench itself tells them. */
export function ControlGroup({ control, onAct }: ControlGroupProps) {
  return (
    <Group label={control.title}>
      {control.choices.map(({ words, act, isOn }) => (
        <ActButton
          key={words}
          {...(isOn === undefined ? {} : { isOn })}
          onClick={() => {
            onAct(act)
          }}
        >
          {words}
        </ActButton>
      ))}
      {control.number === null ? null : <NumberAct number={control.number} onAct={onAct} />}
    </Group>
  )
}

function NumberAct({ number, onAct }: { number: NonNullable<Control['number']>; onAct: (act: Act) => void }) {
  const [typed, setTyped] = useState<number | null>(number.value)
  const [shownFor, setShownFor] = useState(number.value)
  if (shownFor !== number.value) {
    setShownFor(number.value)
    setTyped(number.value)
  }
  return (
    <>
      <NumberField
        label={number.label}
        hideLabel
        unit={number.unit}
        value={typed}
        onChange={setTyped}
        widthClass="w-16"
      />
      <ActButton
        isDisabled={typed === null}
        onClick={() => {
          if (typed !== null) onAct({ ...number.act, [number.field]: typed })
        }}
      >
        {number.words}
      </ActButton>
    </>
  )
}

export function Group({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-1.5">
      <span className="quiet mr-1">{label}</span>
      {children}
    </div>
  )
}

interface ActButtonProps {
  isOn?: boolean
  isDisabled?: boolean
  onClick: () => void
  children: ReactNode
}

export function ActButton({ isOn, isDisabled = false, onClick, children }: ActButtonProps) {
  return (
    <button
      type="button"
      disabled={isDisabled}
      aria-pressed={isOn}
      onClick={onClick}
      className={`rounded-md border px-2 py-0.5 disabled:opacity-60 ${
        isOn === true
          ? 'border-secondary bg-secondary text-secondary-content'
          : 'border-base-content/30 hover:bg-base-300'
      }`}
    >
      {children}
    </button>
  )
}
