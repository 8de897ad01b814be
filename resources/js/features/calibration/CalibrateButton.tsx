import { useState } from 'react'
import type { Probe } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { CalibrateDialog } from './CalibrateDialog'
import { recipeOf } from './recipeOf'
import { useOpenCalibration } from './useCalibration'

interface CalibrateButtonProps {
  probe: Probe
  /** Probes that may be read in the same standards. */
  others: readonly Probe[]
  words: string
  className: string
  shortcut?: string
  onOpened: (calibrationId: number) => void
}

/** Begins the usual calibration at once; another way, or several probes together, is one click further. */
export function CalibrateButton({ probe, others, words, className, shortcut, onOpened }: CalibrateButtonProps) {
  const [isChoosing, setIsChoosing] = useState(false)
  const open = useOpenCalibration(probe.id)
  const companions = others.filter(
    ({ id, kind, rawUnit }) => id !== probe.id && kind === probe.kind && rawUnit === probe.rawUnit,
  )
  const [usual] = probe.recipes
  if (usual === undefined) return null
  const hasChoice = probe.recipes.length > 1 || companions.length > 0
  return (
    <>
      <button
        type="button"
        className={className}
        disabled={open.isPending || !probe.isPresent}
        onClick={() => {
          open.mutate(
            { recipe: recipeOf(probe) },
            {
              onSuccess: ({ id }) => {
                onOpened(id)
              },
            },
          )
        }}
      >
        {words} {shortcut === undefined ? null : <kbd className="key">{shortcut}</kbd>}
      </button>
      {hasChoice ? (
        <button
          type="button"
          className="word-button font-normal! text-sm"
          aria-label={`Another way to calibrate ${probe.title} ${probe.serial}`}
          disabled={!probe.isPresent}
          onClick={() => {
            setIsChoosing(true)
          }}
        >
          another way …
        </button>
      ) : null}
      <ProblemNote problem={open.error} />
      {isChoosing ? (
        <CalibrateDialog
          probe={probe}
          companions={companions}
          problem={open.error}
          isOpening={open.isPending}
          onClose={() => {
            setIsChoosing(false)
          }}
          onBegin={(plan) => {
            open.mutate(plan, {
              onSuccess: ({ id }) => {
                onOpened(id)
              },
            })
          }}
        />
      ) : null}
    </>
  )
}
