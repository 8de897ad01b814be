import { useState } from 'react'
import { dayAndTime } from '../../lib/ago'
import type { Probe } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { useNow } from '../../ui/useNow'
import { useBenches } from '../probes/useBenches'
import { figureText } from '../../lib/probes/figureText'
import { useAnotherLine } from './useKept'

const FACTORY = 0

/** A probe can read by another one's calibration, or by its maker's line: always visibly. */
export function AnotherLineDialog({ probe, onClose }: { probe: Probe; onClose: () => void }) {
  const benches = useBenches()
  const now = useNow(60_000)
  const line = useAnotherLine(probe.id)
  const [chosen, setChosen] = useState<number | null>(null)
  const others = (benches.data ?? [])
    .flatMap((bench) => bench.probes)
    .filter((other) => other.id !== probe.id && other.kind === probe.kind && other.rawUnit === probe.rawUnit)
  const done = { onSuccess: onClose }
  return (
    <Dialog title={`Another line for ${probe.title} ${probe.serial}`} onClose={onClose}>
      <p className="quiet mb-3">
        Its card and every run recorded with it will say that the line is not its own. Its own calibrations stay.
      </p>
      <fieldset className="flex flex-col gap-2">
        <legend className="sr-only">Which line</legend>
        {others.map((other) => {
          const { calibration } = other
          const [figure] = calibration?.keyFigures ?? []
          const isChoosable = calibration?.keptAt != null && calibration.origin === 'read'
          return (
            <label key={other.id} className="flex items-baseline gap-3">
              <input
                type="radio"
                name="line"
                className="radio radio-sm radio-primary translate-y-0.5"
                disabled={!isChoosable}
                checked={calibration !== null && chosen === calibration.id}
                onChange={() => {
                  setChosen(calibration?.id ?? null)
                }}
              />
              <span>
                That of {other.title} {other.serial}{' '}
                <span className="quiet">
                  {isChoosable && figure !== undefined
                    ? `${figureText(figure)}, kept ${dayAndTime(new Date(calibration.keptAt ?? ''), now)}`
                    : 'never calibrated'}
                </span>
              </span>
            </label>
          )
        })}
        <label className="flex items-baseline gap-3">
          <input
            type="radio"
            name="line"
            className="radio radio-sm radio-primary translate-y-0.5"
            checked={chosen === FACTORY}
            onChange={() => {
              setChosen(FACTORY)
            }}
          />
          <span>The factory’s, as its maker states it</span>
        </label>
      </fieldset>
      <DialogActions
        confirm="Set this line"
        problem={line.copy.error ?? line.factory.error}
        isDisabled={chosen === null || line.copy.isPending || line.factory.isPending}
        onCancel={onClose}
        onConfirm={() => {
          if (chosen === FACTORY) line.factory.mutate(undefined, done)
          else if (chosen !== null) line.copy.mutate(chosen, done)
        }}
      />
    </Dialog>
  )
}
