import type { ReactNode } from 'react'
import { ProblemNote } from './ProblemNote'

interface DialogActionsProps {
  confirm: string
  problem: Error | null
  isDisabled?: boolean
  onCancel: () => void
  /** Left out where the dialog holds a form: then the button submits it. */
  onConfirm?: () => void
}

/** The foot of a dialog: why it could not be done, the way back, and the one thing to do. */
export function DialogActions({ confirm, problem, isDisabled = false, onCancel, onConfirm }: DialogActionsProps) {
  return (
    <Foot problem={problem}>
      <button type="button" className="btn btn-ghost" onClick={onCancel}>
        Cancel
      </button>
      <button
        type={onConfirm === undefined ? 'submit' : 'button'}
        className="btn btn-primary"
        disabled={isDisabled}
        onClick={onConfirm}
      >
        {confirm}
      </button>
    </Foot>
  )
}

interface DialogDoneProps {
  problem?: Error | null
  onDone: () => void
}

/** The foot of a dialog in which every change holds at once: only the way out. */
export function DialogDone({ problem = null, onDone }: DialogDoneProps) {
  return (
    <Foot problem={problem}>
      <button type="button" className="btn btn-primary" onClick={onDone}>
        Done
      </button>
    </Foot>
  )
}

function Foot({ problem, children }: { problem: Error | null; children: ReactNode }) {
  return (
    <>
      <div className="mt-3 empty:hidden">
        <ProblemNote problem={problem} />
      </div>
      <div className="modal-action mt-4">{children}</div>
    </>
  )
}
