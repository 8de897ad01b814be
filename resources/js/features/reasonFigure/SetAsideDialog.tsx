import { useId, useState, type SubmitEvent } from 'react'
import type { Notebook, Row, RunRows } from '../../lib/api/types'
import { readingsName } from '../../lib/notebook/labels'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import type { Within } from '../notebook'
import { useSetAside } from './useSetAside'

interface SetAsideDialogProps {
  notebook: Notebook
  rows: RunRows
  readings: readonly Row[]
  /** Where a run has more rows than are known here: all that lie there. */
  within?: Within | null
  onClose: () => void
}

const USUAL_REASONS = ['read before it was steady', 'probe was touched', 'step misread', 'typed wrongly']

/** A reading is never thrown away: it is set aside with a reason, and stays in sight. */
export function SetAsideDialog({ notebook, rows, readings, within = null, onClose }: SetAsideDialogProps) {
  const [reason, setReason] = useState('')
  const reasonId = useId()
  const { foresee, putAside, error, isPending } = useSetAside(notebook, rows)
  const what = within === null ? readingsName(readings, notebook.columns) : 'all rows of this span'

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    putAside({ readings, within }, reason, onClose)
  }

  return (
    <Dialog title={`Set aside ${what}`} isAway={isPending} onClose={onClose}>
      <form onSubmit={handleSubmit} className="flex flex-col gap-3" noValidate>
        <p className="quiet">It stays in the figure, hollow and struck through, and out of every calculation.</p>
        <div className="flex flex-col gap-1">
          <label htmlFor={reasonId}>Why?</label>
          <input
            id={reasonId}
            className="input bg-base-100 w-full"
            list={`${reasonId}-usual`}
            value={reason}
            maxLength={200}
            autoFocus
            autoComplete="off"
            onFocus={() => {
              foresee({ readings, within })
            }}
            onChange={(event) => {
              setReason(event.target.value)
            }}
          />
          <datalist id={`${reasonId}-usual`}>
            {USUAL_REASONS.map((usual) => (
              <option key={usual} value={usual} />
            ))}
          </datalist>
        </div>
        <DialogActions confirm="Set aside" problem={error} onCancel={onClose} />
      </form>
    </Dialog>
  )
}
