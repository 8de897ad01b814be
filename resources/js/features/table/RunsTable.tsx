import type { Notebook, RunSummary, WorkedLine } from '../../lib/api/types'
import { amountWords } from '../../lib/notebook/runs'
import { measuredText } from '../../lib/notebook/labels'
import { TypedField } from '../entries/TypedField'
import { useRunActions } from '../notebook'

interface RunsTableProps {
  notebook: Notebook
  worked: readonly WorkedLine[]
  current: number
  onRun: (id: number) => void
}

/** One row a run: what it is called, its condition and trial, and the results of the lines for each run. */
export function RunsTable({ notebook, worked, current, onRun }: RunsTableProps) {
  const lines = notebook.lines.filter(({ isPerRun }) => isPerRun)
  return (
    <div className="border-base-300 h-56 overflow-auto border-t" tabIndex={0} role="region" aria-label="Runs">
      <table className="num w-full text-right text-sm">
        <thead className="quiet bg-base-100 sticky top-0">
          <tr>
            <th scope="col" className="py-1 pl-4 text-left">
              Run
            </th>
            <th scope="col" className="pl-4 text-left">
              Condition
            </th>
            <th scope="col" className="pl-4 text-left">
              Trial
            </th>
            {lines.map((line) => (
              <th key={line.id} scope="col" className="pl-4" title={line.shownTitle}>
                {line.symbol}
              </th>
            ))}
            <th scope="col" className="px-4 text-left">
              Readings
            </th>
          </tr>
        </thead>
        <tbody>
          {notebook.runs.map((run) => (
            <RunRow key={run.id} notebook={notebook} run={run} isCurrent={run.id === current} onRun={onRun}>
              {lines.map((line) => {
                const result = worked.find(({ symbol, runId }) => symbol === line.symbol && runId === run.id)?.result
                return (
                  <td key={line.id} className="pl-4 whitespace-nowrap">
                    {result == null ? '—' : measuredText(result, 'pH')}
                  </td>
                )
              })}
            </RunRow>
          ))}
        </tbody>
      </table>
    </div>
  )
}

interface RunRowProps {
  notebook: Notebook
  run: RunSummary
  isCurrent: boolean
  onRun: (id: number) => void
  children: React.ReactNode
}

function RunRow({ notebook, run, isCurrent, onRun, children }: RunRowProps) {
  const { change } = useRunActions(run.id, notebook.id)
  return (
    <tr className={`border-base-300 border-t ${isCurrent ? 'bg-(--green-paper)' : ''}`}>
      <td className="py-1 pl-4 text-left font-sans">
        <button
          type="button"
          className="word-button"
          onClick={() => {
            onRun(run.id)
          }}
        >
          {run.name}
        </button>
      </td>
      <td className="w-44 pl-4 text-left font-sans">
        <TypedField
          label={`Condition of ${run.name}`}
          hideLabel
          value={run.condition ?? ''}
          onChange={(condition) => {
            change.act({ condition })
          }}
        />
      </td>
      <td className="w-20 pl-4 text-left font-sans">
        <TypedField
          label={`Trial of ${run.name}`}
          hideLabel
          value={run.trial === null ? '' : String(run.trial)}
          onChange={(text) => {
            const trial = Number(text)
            change.act({ trial: text !== '' && Number.isInteger(trial) && trial > 0 ? trial : null })
          }}
        />
      </td>
      {children}
      <td className="px-4 text-left font-sans">{run.timed === null ? run.readingCount : amountWords(run)}</td>
    </tr>
  )
}
