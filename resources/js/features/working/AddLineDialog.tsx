import { useState } from 'react'
import type { Method, Notebook } from '../../lib/api/types'
import type { Selection } from '../../lib/figure/selection'
import { Dialog } from '../../ui/Dialog'
import { DialogDone } from '../../ui/DialogActions'
import { Waiting } from '../../ui/Waiting'
import { useLines } from '../notebook'
import { fittingMethods, likely } from './lineInputs'
import { LineForm } from './LineForm'
import { spanTold } from './spanTold'
import { useMethods } from './useMethods'

interface AddLineDialogProps {
  notebook: Notebook
  selection: Selection
  /** A method that was chosen already. */
  methodKey?: string | null
  onClose: () => void
}

/** A new line: the methods that fit, then what the chosen one asks for. */
export function AddLineDialog({ notebook, selection, methodKey = null, onClose }: AddLineDialogProps) {
  const methods = useMethods()
  const [chosenKey, setChosenKey] = useState(methodKey)
  const method = methods.data?.find(({ key }) => key === chosenKey)
  if (methods.data === undefined) {
    return (
      <Dialog title="New line" onClose={onClose}>
        <Waiting what="the methods" />
      </Dialog>
    )
  }
  if (method !== undefined) {
    return (
      <Dialog title={method.name} onClose={onClose}>
        <FillIn key={method.key} notebook={notebook} method={method} selection={selection} onClose={onClose} />
      </Dialog>
    )
  }
  return (
    <Dialog title="New line" onClose={onClose}>
      <ul className="max-h-96 overflow-y-auto" aria-label="Methods that fit">
        {fittingMethods(methods.data, notebook).map((one, index) => (
          <li key={one.key}>
            <button
              type="button"
              className="hover:bg-base-200 w-full cursor-pointer rounded px-2 py-1.5 text-left"
              autoFocus={index === 0}
              onClick={() => {
                setChosenKey(one.key)
              }}
            >
              <strong>{one.name}</strong>
              <span className="quiet block text-sm">{one.sentence}</span>
            </button>
          </li>
        ))}
      </ul>
      <DialogDone onDone={onClose} />
    </Dialog>
  )
}

function FillIn({
  notebook,
  method,
  selection,
  onClose,
}: {
  notebook: Notebook
  method: Method
  selection: Selection
  onClose: () => void
}) {
  const span = selection.kind === 'span' ? selection : null
  const { add } = useLines(notebook.id)
  const hasColumns = method.inputs.some(({ kind }) => kind === 'column')

  return (
    <>
      <p className="quiet mb-3 text-sm">{method.sentence}</p>
      <LineForm
        notebook={notebook}
        method={method}
        initial={{
          title: null,
          symbol: null,
          isPerRun: true,
          onlyRun: null,
          filled: likely(method, notebook, span),
        }}
        confirm="Add the line"
        problem={add.error}
        isPending={add.isPending}
        onKeep={({ title, isPerRun, onlyRun, uses = {}, texts = {}, numbers = {} }) => {
          const where = span === null || !hasColumns ? {} : spanTold(notebook, span)
          add.act({ method: method.key, title, isPerRun, onlyRun, uses, texts, numbers, ...where }, onClose)
        }}
        onClose={onClose}
      />
    </>
  )
}
