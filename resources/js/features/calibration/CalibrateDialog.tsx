import { useState } from 'react'
import type { Probe } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { recipeOf } from './recipeOf'
import type { CalibrationPlan } from './useCalibration'

interface CalibrateDialogProps {
  probe: Probe
  companions: readonly Probe[]
  problem: Error | null
  isOpening: boolean
  onBegin: (plan: CalibrationPlan) => void
  onClose: () => void
}

/** Which way, and which other probes stand in the same standards. */
export function CalibrateDialog({ probe, companions, problem, isOpening, onBegin, onClose }: CalibrateDialogProps) {
  const [recipe, setRecipe] = useState(recipeOf(probe))
  const [beside, setBeside] = useState<readonly number[]>([])
  return (
    <Dialog title={`Calibrate ${probe.title} ${probe.serial}`} onClose={onClose}>
      <fieldset className="flex flex-col gap-2">
        <legend className="quiet mb-1 text-sm">How</legend>
        {probe.recipes.map((one) => (
          <label key={one.key} className="border-base-300 flex gap-3 rounded-md border p-3">
            <input
              type="radio"
              name="recipe"
              className="radio radio-sm radio-primary mt-0.5"
              checked={recipe === one.key}
              onChange={() => {
                setRecipe(one.key)
              }}
            />
            <span>
              <span className="block font-semibold">{one.title}</span>
              <span className="quiet text-sm">{one.hint}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {companions.length === 0 ? null : (
        <fieldset className="mt-4 flex flex-col gap-1">
          <legend className="quiet mb-1 text-sm">Read together with it, in the same standards</legend>
          {companions.map((other) => (
            <label key={other.id} className="flex items-center gap-3">
              <input
                type="checkbox"
                className="checkbox checkbox-sm checkbox-primary"
                checked={beside.includes(other.id)}
                disabled={!other.isPresent}
                onChange={(event) => {
                  setBeside(event.target.checked ? [...beside, other.id] : beside.filter((id) => id !== other.id))
                }}
              />
              <span>
                {other.title} {other.serial} <span className="quiet">· bench {other.bench.name}</span>
              </span>
            </label>
          ))}
        </fieldset>
      )}
      <DialogActions
        confirm="Begin"
        problem={problem}
        isDisabled={isOpening}
        onCancel={onClose}
        onConfirm={() => {
          onBegin({ recipe, beside: [...beside] })
        }}
      />
    </Dialog>
  )
}
