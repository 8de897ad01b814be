import { useState, type SubmitEvent } from 'react'
import type { Line, Notebook } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { useLines } from '../notebook'
import { toldOf, type Filled } from './lineInputs'
import { LineInputsForm } from './LineInputsForm'
import { useMethods } from './useMethods'

/** Another title, another symbol, other inputs; formulas that use the symbol are rewritten. */
export function EditLine({ notebook, line, onClose }: { notebook: Notebook; line: Line; onClose: () => void }) {
  const { change } = useLines(notebook.id)
  const method = useMethods().data?.find(({ key }) => key === line.method)
  const [title, setTitle] = useState(line.title)
  const [symbol, setSymbol] = useState(line.symbol)
  const [isPerRun, setIsPerRun] = useState(line.isPerRun)
  const [filled, setFilled] = useState<Filled>(() => ({
    ...line.texts,
    ...Object.fromEntries(Object.entries(line.numbers).map(([slot, number]) => [slot, String(number.value)])),
    ...line.uses,
  }))
  const { told, missing } = method === undefined ? { told: null, missing: [] } : toldOf(method, filled, notebook)

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    change.act({ line: line.id, title, symbol, isPerRun, ...(told ?? {}) }, onClose)
  }

  return (
    <Dialog title="Change the line" onClose={onClose}>
      <form onSubmit={handleSubmit} className="flex flex-col gap-3" noValidate>
        <div className="grid gap-3 sm:grid-cols-[2fr_1fr]">
          <label className="flex flex-col gap-0.5">
            <span className="quiet text-sm">Title</span>
            <input
              className="input input-sm bg-base-100"
              value={title}
              maxLength={120}
              autoFocus
              onChange={(event) => {
                setTitle(event.target.value)
              }}
            />
          </label>
          <label className="flex flex-col gap-0.5">
            <span className="quiet text-sm">Symbol</span>
            <input
              className="input input-sm num bg-base-100"
              value={symbol}
              maxLength={20}
              onChange={(event) => {
                setSymbol(event.target.value)
              }}
            />
          </label>
        </div>
        {method === undefined ? null : (
          <LineInputsForm
            method={method}
            notebook={notebook}
            filled={filled}
            onFill={(name, value) => {
              setFilled({ ...filled, [name]: value })
            }}
          />
        )}
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
          confirm="Keep"
          problem={change.error}
          isDisabled={change.isPending || missing.length > 0}
          onCancel={onClose}
        />
      </form>
    </Dialog>
  )
}
