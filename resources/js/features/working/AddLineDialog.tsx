import { useState, type SubmitEvent } from 'react'
import type { Method, Notebook } from '../../lib/api/types'
import type { Selection } from '../../lib/figure/selection'
import { Dialog } from '../../ui/Dialog'
import { DialogActions, DialogDone } from '../../ui/DialogActions'
import { Waiting } from '../../ui/Waiting'
import { useLines } from '../notebook'
import { fittingMethods, likely, toldOf, type Filled } from './lineInputs'
import { LineInputsForm } from './LineInputsForm'
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
  const [filled, setFilled] = useState<Filled>(() => likely(method, notebook, span))
  const [title, setTitle] = useState(method.name)
  const hasColumns = method.inputs.some(({ kind }) => kind === 'column')
  const [isPerRun, setIsPerRun] = useState(true)
  const { told, missing } = toldOf(method, filled, notebook)

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    add.act(
      {
        method: method.key,
        title,
        isPerRun,
        ...told,
        ...(span === null || !hasColumns ? {} : spanTold(notebook, span)),
      },
      onClose,
    )
  }

  return (
    <form onSubmit={handleSubmit} className="flex flex-col gap-3" noValidate>
      <p className="quiet text-sm">{method.sentence}</p>
      <label className="flex flex-col gap-0.5">
        <span className="quiet text-sm">Title</span>
        <input
          className="input input-sm bg-base-100"
          value={title}
          maxLength={120}
          onChange={(event) => {
            setTitle(event.target.value)
          }}
        />
      </label>
      <LineInputsForm
        method={method}
        notebook={notebook}
        filled={filled}
        onFill={(name, value) => {
          setFilled({ ...filled, [name]: value })
        }}
      />
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={isPerRun}
          onChange={(event) => {
            setIsPerRun(event.target.checked)
          }}
        />
        for each run, not once for the experiment
      </label>
      {missing.length === 0 ? null : <p className="amber text-sm">Still to say: {missing.join('; ')}.</p>}
      <DialogActions
        confirm="Add the line"
        problem={add.error}
        isDisabled={add.isPending || missing.length > 0}
        onCancel={onClose}
      />
    </form>
  )
}
