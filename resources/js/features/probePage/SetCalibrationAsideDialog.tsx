import { useId, useState } from 'react'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'

interface SetCalibrationAsideDialogProps {
  problem: Error | null
  onSetAside: (reason: string) => void
  onClose: () => void
}

const REASONS = ['buffer was old', 'electrode was not rinsed', 'wrong standard', 'probe was repaired since'] as const

/** Why a calibration is not to be used any more; runs recorded with it keep it and say so. */
export function SetCalibrationAsideDialog({ problem, onSetAside, onClose }: SetCalibrationAsideDialogProps) {
  const [reason, setReason] = useState('')
  const id = useId()
  return (
    <Dialog title="Set this calibration aside" onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          onSetAside(reason)
        }}
      >
        <p className="quiet mb-3">
          The one before it is in force again. Runs recorded with it keep their results and say why it was set aside.
        </p>
        <label htmlFor={id}>Because</label>
        <input
          id={id}
          className="input bg-base-100 mt-1 w-full"
          value={reason}
          maxLength={200}
          autoFocus
          onChange={(event) => {
            setReason(event.target.value)
          }}
        />
        <div className="mt-2 flex flex-wrap gap-2">
          {REASONS.map((words) => (
            <button
              key={words}
              type="button"
              className="btn btn-sm btn-outline font-normal"
              onClick={() => {
                setReason(words)
              }}
            >
              {words}
            </button>
          ))}
        </div>
        <DialogActions confirm="Set aside" problem={problem} isDisabled={reason.trim().length < 3} onCancel={onClose} />
      </form>
    </Dialog>
  )
}
