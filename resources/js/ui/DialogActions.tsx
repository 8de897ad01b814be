import { sentenceOf } from '../lib/api/problem'
import { Note } from './Note'

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
    <>
      {problem === null ? null : (
        <div className="mt-3">
          <Note tone="red" role="alert">
            {sentenceOf(problem)}
          </Note>
        </div>
      )}
      <div className="modal-action mt-4">
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
      </div>
    </>
  )
}
