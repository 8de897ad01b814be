import { useState } from 'react'
import type { Column, Plan, PlanRange } from '../../lib/api/types'
import { parseNumber } from '../../lib/format'
import { unitBehind } from '../../lib/notebook/labels'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { NumberField } from '../../ui/NumberField'

interface PlanDialogProps {
  plan: Plan
  step: Column | undefined
  problem: Error | null
  onKeep: (plan: Plan) => void
  onClose: () => void
}

/** The steps of a run: ranges, finer where it matters; or one by one, numbers or words. */
export function PlanDialog({ plan, step, problem, onKeep, onClose }: PlanDialogProps) {
  const isWords = step?.isWords === true
  const [isList, setIsList] = useState(isWords || plan.ranges === undefined)
  const [ranges, setRanges] = useState<PlanRange[]>(() =>
    (plan.ranges ?? [{ from: 0, to: 10, step: 1 }]).map((range) => ({ ...range })),
  )
  const [text, setText] = useState(() => (plan.steps ?? []).map((one) => String(one)).join('\n'))
  const typed = text
    .split(/\n|;/)
    .map((one) => one.trim())
    .filter((one) => one !== '')
  const wrong = isWords ? undefined : typed.find((one) => parseNumber(one) === null)

  return (
    <Dialog title="Steps of the run" onClose={onClose}>
      <p className="quiet mb-3">Large steps where little happens, small ones where it matters. What was read stays.</p>
      {isWords ? null : (
        <div role="radiogroup" aria-label="How the steps are told" className="mb-3 flex gap-4">
          {(
            [
              ['as ranges', false],
              ['one by one', true],
            ] as const
          ).map(([words, value]) => (
            <label key={words} className="flex items-center gap-1.5">
              <input
                type="radio"
                name="steps"
                className="radio radio-sm radio-primary"
                checked={isList === value}
                onChange={() => {
                  setIsList(value)
                }}
              />
              {words}
            </label>
          ))}
        </div>
      )}
      {isList ? (
        <label className="flex flex-col gap-1">
          <span className="quiet text-sm">
            {isWords
              ? 'One step in each line'
              : `One value in each line${step === undefined ? '' : `, in ${unitBehind(step.unit, step.symbol)}`}`}
          </span>
          <textarea
            className="textarea bg-base-100 num w-full"
            rows={8}
            value={text}
            onChange={(event) => {
              setText(event.target.value)
            }}
          />
          {wrong === undefined ? null : <span className="text-error text-sm">“{wrong}” is not a number.</span>}
          {isWords ? null : (
            <button
              type="button"
              className="word-button self-start text-sm font-normal!"
              onClick={() => {
                setText(halved(typed).join('\n'))
              }}
            >
              + halve the last one
            </button>
          )}
        </label>
      ) : (
        <Ranges
          ranges={ranges}
          unit={step === undefined ? '' : unitBehind(step.unit, step.symbol)}
          onChange={setRanges}
        />
      )}
      <DialogActions
        confirm="Use these steps"
        problem={problem}
        isDisabled={isList && wrong !== undefined}
        onCancel={onClose}
        onConfirm={() => {
          onKeep(isList ? { steps: isWords ? typed : typed.map((one) => parseNumber(one) ?? 0) } : { ranges })
        }}
      />
    </Dialog>
  )
}

/** One more step, half of the last; as for a serial dilution. */
export function halved(typed: readonly string[]): string[] {
  const last = parseNumber(typed.at(-1) ?? '') ?? 100
  return typed.length === 0 ? [String(last)] : [...typed, String(Number((last / 2).toPrecision(6)))]
}

const PARTS = [
  ['from', 'From'],
  ['to', 'To'],
  ['step', 'Step'],
] as const

function Ranges({
  ranges,
  unit,
  onChange,
}: {
  ranges: PlanRange[]
  unit: string
  onChange: (ranges: PlanRange[]) => void
}) {
  return (
    <>
      <ol className="flex flex-col gap-2">
        {ranges.map((range, index) => (
          <li key={index} className="flex flex-wrap items-end gap-3">
            {PARTS.map(([part, label]) => (
              <NumberField
                key={part}
                label={label}
                unit={unit}
                value={range[part]}
                widthClass="w-20"
                onChange={(value) => {
                  if (value !== null) onChange(ranges.map((one, i) => (i === index ? { ...one, [part]: value } : one)))
                }}
              />
            ))}
            <button
              type="button"
              className="btn btn-sm btn-ghost"
              disabled={ranges.length === 1}
              onClick={() => {
                onChange(ranges.filter((_, i) => i !== index))
              }}
            >
              remove
            </button>
          </li>
        ))}
      </ol>
      <button
        type="button"
        className="word-button mt-3"
        onClick={() => {
          const last = ranges[ranges.length - 1]
          const by = last === undefined || last.to >= last.from ? 1 : -1
          const end = last?.to ?? 0
          onChange([...ranges, { from: end + by, to: end + 5 * by, step: 1 }])
        }}
      >
        + one more range
      </button>
    </>
  )
}
