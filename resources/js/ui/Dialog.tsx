import { useEffect, useId, useRef, type ReactNode } from 'react'

interface DialogProps {
  title: string
  /** For a table beside its words. */
  isWide?: boolean
  /** While its answer is on the way: the page behind is free and painted already when it comes; refused, the dialog is there again, with all that was typed. */
  isAway?: boolean
  onClose: () => void
  children: ReactNode
}

/** A modal dialog: Escape closes it, focus stays inside and goes back to where it came from. */
export function Dialog({ title, isWide = false, isAway = false, onClose, children }: DialogProps) {
  const ref = useRef<HTMLDialogElement>(null)
  const titleId = useId()
  useEffect(() => {
    const dialog = ref.current
    if (isAway) return
    dialog?.showModal()
    return () => {
      dialog?.close()
    }
  }, [isAway])
  return (
    <dialog
      ref={ref}
      aria-labelledby={titleId}
      className="modal"
      onCancel={(event) => {
        event.preventDefault()
        onClose()
      }}
    >
      <div className={`modal-box panel text-base ${isWide ? 'max-w-4xl' : 'max-w-lg'}`}>
        <h2 id={titleId} className="mb-3 text-lg font-semibold">
          {title}
        </h2>
        {children}
      </div>
    </dialog>
  )
}
