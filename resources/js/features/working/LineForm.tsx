import { useState, type SubmitEvent } from 'react'
import type { Line, Method, Notebook } from '../../lib/api/types'
import { DialogActions } from '../../ui/DialogActions'
import { useRunsTable } from '../notebook'
import { isAcross, toldOf, usualTitle, type Filled, type Told } from './lineInputs'
import { LineInputsForm } from './LineInputsForm'
import { LineRuns } from './LineRuns'

interface Written {
  /** Null while it is called as its method calls it. */
  title: string | null
  /** Null where one is made by itself. */
  symbol: string | null
  isPerRun: boolean
  /** Number of the one run it is worked out for, if it is not for each. */
  onlyRun: number | null
}

interface LineFormProps {
  notebook: Notebook
  method: Method | undefined
  initial: Written & { filled: Filled }
  /** The line that is changed, if it is none that is new. */
  line?: Line
  confirm: string
  problem: Error | null
  isPending: boolean
  onKeep: (kept: Written & { title: string } & Partial<Told>) => void
  onClose: () => void
}

/** What a line is called, what it is given, and whether each run has its own. */
export function LineForm(props: LineFormProps) {
  const { notebook, method, initial, line, confirm, problem, isPending, onKeep, onClose } = props
  const [written, setWritten] = useState<Written>({
    title: initial.title,
    symbol: initial.symbol,
    // One that compares runs is of none of them.
    isPerRun: initial.isPerRun && !(method !== undefined && isAcross(method)),
    onlyRun: initial.onlyRun,
  })
  const [filled, setFilled] = useState(initial.filled)
  const results =
    useRunsTable(notebook.id, notebook.revision, method !== undefined && isAcross(method)).data?.columns ?? []
  const title = written.title ?? (method === undefined ? '' : usualTitle(method, filled, results, notebook.runs))
  const { told, missing } = method === undefined ? { told: {}, missing: [] } : toldOf(method, filled, notebook, line)

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    onKeep({ ...written, title, ...told })
  }

  return (
    <form onSubmit={handleSubmit} className="flex flex-col gap-3" noValidate>
      <div className={`grid gap-3 ${written.symbol === null ? '' : 'sm:grid-cols-[2fr_1fr]'}`}>
        <label className="flex flex-col gap-0.5">
          <span className="quiet text-sm">Title</span>
          <input
            className="input input-sm bg-base-100 w-full"
            value={title}
            maxLength={120}
            autoFocus
            onChange={(event) => {
              setWritten({ ...written, title: event.target.value })
            }}
          />
        </label>
        {written.symbol === null ? null : (
          <label className="flex flex-col gap-0.5">
            <span className="quiet text-sm">Symbol</span>
            <input
              className="input input-sm num bg-base-100 w-full"
              value={written.symbol}
              maxLength={20}
              onChange={(event) => {
                setWritten({ ...written, symbol: event.target.value })
              }}
            />
          </label>
        )}
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
      {method === undefined || isAcross(method) ? null : (
        <LineRuns
          runs={notebook.runs}
          isPerRun={written.isPerRun}
          onlyRun={written.onlyRun}
          onChange={(of) => {
            setWritten({ ...written, ...of })
          }}
        />
      )}
      {missing.length === 0 ? null : <p className="amber text-sm">Still to say: {missing.join('; ')}.</p>}
      <DialogActions
        confirm={confirm}
        problem={problem}
        isDisabled={isPending || missing.length > 0}
        onCancel={onClose}
      />
    </form>
  )
}
