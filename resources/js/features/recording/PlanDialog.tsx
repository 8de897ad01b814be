import { useState } from 'react'
import type { PlanRange } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { NumberField } from '../../ui/NumberField'

interface PlanDialogProps {
  plan: readonly PlanRange[]
  problem: Error | null
  onKeep: (plan: PlanRange[]) => void
  onClose: () => void
}

const PARTS = [
  ['from', 'From'],
  ['to', 'To'],
  ['step', 'Step'],
] as const

/** The volumes of a run: ranges with steps, finer where it matters. */
export function PlanDialog({ plan, problem, onKeep, onClose }: PlanDialogProps) {
  const [ranges, setRanges] = useState<PlanRange[]>(() => plan.map((range) => ({ ...range })))

  function handleChange(index: number, part: keyof PlanRange, value: number | null) {
    if (value === null) return
    setRanges(ranges.map((range, i) => (i === index ? { ...range, [part]: value } : range)))
  }

  return (
    <Dialog title="Volumes of the run" onClose={onClose}>
      <p className="quiet mb-3">Large steps where little happens, small ones across the jump. What was read stays.</p>
      <ol className="flex flex-col gap-2">
        {ranges.map((range, index) => (
          <li key={index} className="flex flex-wrap items-end gap-3">
            {PARTS.map(([part, label]) => (
              <NumberField
                key={part}
                label={label}
                unit="mL"
                value={range[part]}
                widthClass="w-20"
                onChange={(value) => {
                  handleChange(index, part, value)
                }}
              />
            ))}
            <button
              type="button"
              className="btn btn-sm btn-ghost"
              disabled={ranges.length === 1}
              onClick={() => {
                setRanges(ranges.filter((_, i) => i !== index))
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
          const end = ranges[ranges.length - 1]?.to ?? 0
          setRanges([...ranges, { from: end + 1, to: end + 5, step: 1 }])
        }}
      >
        + one more range
      </button>
      <DialogActions
        confirm="Use these steps"
        problem={problem}
        onCancel={onClose}
        onConfirm={() => {
          onKeep(ranges)
        }}
      />
    </Dialog>
  )
}
