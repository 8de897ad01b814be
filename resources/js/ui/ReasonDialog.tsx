import { useId, useState, type ReactNode, type SubmitEvent } from 'react'
import { Dialog } from './Dialog'
import { DialogActions } from './DialogActions'

interface ReasonDialogProps {
  title: string
  /** What comes of it, in a sentence. */
  children: ReactNode
  /** Reasons that are usual, to choose from. */
  usual: readonly string[]
  problem: Error | null
  isPending: boolean
  /** Somebody begins to say why. */
  onBegin?: () => void
  onReason: (reason: string) => void
  onClose: () => void
}

/** Nothing is set aside without saying why. */
export function ReasonDialog(props: ReasonDialogProps) {
  const { title, children, usual, problem, isPending, onBegin, onReason, onClose } = props
  const [reason, setReason] = useState('')
  const id = useId()

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    onReason(reason)
  }

  return (
    <Dialog title={title} isAway={isPending} onClose={onClose}>
      <form onSubmit={handleSubmit} className="flex flex-col gap-3" noValidate>
        <p className="quiet">{children}</p>
        <div className="flex flex-col gap-1">
          <label htmlFor={id}>Why?</label>
          <input
            id={id}
            className="input bg-base-100 w-full"
            list={`${id}-usual`}
            value={reason}
            maxLength={200}
            autoFocus
            autoComplete="off"
            onFocus={onBegin}
            onChange={(event) => {
              setReason(event.target.value)
            }}
          />
          <datalist id={`${id}-usual`}>
            {usual.map((one) => (
              <option key={one} value={one} />
            ))}
          </datalist>
        </div>
        <DialogActions confirm="Set aside" problem={problem} onCancel={onClose} />
      </form>
    </Dialog>
  )
}
