import { useId, useState, type SubmitEvent } from 'react'
import type { Reading } from '../../lib/api/types'
import { volume } from '../../lib/format'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { useSetAside } from './useSetAside'

interface SetAsideDialogProps {
  experimentId: number
  readings: readonly Reading[]
  onClose: () => void
}

const USUAL_REASONS = [
  'electrode touched the beaker',
  'read before it was steady',
  'volume misread',
  'drop hung at the tip',
]

/** A reading is never thrown away: it is set aside with a reason, and stays in sight. */
export function SetAsideDialog({ experimentId, readings, onClose }: SetAsideDialogProps) {
  const [reason, setReason] = useState('')
  const reasonId = useId()
  const { putAside, error, isPending } = useSetAside(experimentId)
  const [first] = readings
  const what =
    readings.length === 1 && first !== undefined
      ? `the reading at ${volume(first.volume)} mL`
      : `${readings.length} readings`

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    void putAside(readings, reason).then(onClose, () => undefined)
  }

  return (
    <Dialog title={`Set aside ${what}`} onClose={onClose}>
      <form onSubmit={handleSubmit} className="flex flex-col gap-3" noValidate>
        <p className="quiet">It stays in the figure, hollow and struck through, and leaves every calculation.</p>
        <div className="flex flex-col gap-1">
          <label htmlFor={reasonId}>Why?</label>
          <input
            id={reasonId}
            className="input bg-base-100 w-full"
            value={reason}
            maxLength={200}
            autoFocus
            onChange={(event) => {
              setReason(event.target.value)
            }}
          />
        </div>
        <div className="flex flex-wrap gap-2">
          {USUAL_REASONS.map((usual) => (
            <button
              key={usual}
              type="button"
              className="border-base-300 hover:bg-base-200 rounded-full border px-3 py-0.5 text-sm"
              onClick={() => {
                setReason(usual)
              }}
            >
              {usual}
            </button>
          ))}
        </div>
        <DialogActions confirm="Set aside" problem={error} isDisabled={isPending} onCancel={onClose} />
      </form>
    </Dialog>
  )
}
