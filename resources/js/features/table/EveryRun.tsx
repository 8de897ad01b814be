import type { Notebook, RunSummary, RunsTable } from '../../lib/api/types'
import { amountWords } from '../../lib/notebook/runs'
import { cellOf, cellText, isBy, nextOrder, runsHead, type RunOrder } from '../../lib/notebook/runsTable'
import { TypedField } from '../entries/TypedField'
import { RunEntry } from './RunEntry'
import { useRunActions } from '../notebook'

interface EveryRunProps {
  notebook: Notebook
  table: RunsTable
  /** In the order they are shown. */
  runs: readonly RunSummary[]
  order: RunOrder
  current: number
  onOrder: (order: RunOrder) => void
  onRun: (id: number) => void
  /** Somebody wants to set it aside, and will say why. */
  onSetAside: (run: RunSummary) => void
}

/** One row a run: what it is called, its condition and trial, and its columns. */
export function EveryRun({ notebook, table, runs, order, current, onOrder, onRun, onSetAside }: EveryRunProps) {
  const head = (words: string, by: 'condition' | 'trial' | { symbol: string }, title?: string) => {
    const way = !isBy(order, by) || order.by === 'place' ? null : order.isDown ? 'descending' : 'ascending'
    return (
      <th
        key={words}
        scope="col"
        className={`py-1 pl-4 ${typeof by === 'string' ? 'text-left' : ''}`}
        {...(way === null ? {} : { 'aria-sort': way })}
      >
        <button
          type="button"
          className="cursor-pointer hover:underline"
          title={title}
          onClick={() => {
            onOrder(nextOrder(order, by))
          }}
        >
          {words}
          {way === null ? '' : way === 'ascending' ? ' ↑' : ' ↓'}
        </button>
      </th>
    )
  }
  return (
    <table className="num w-full text-right text-sm">
      <thead className="quiet bg-base-100 sticky top-0 z-10 font-sans">
        <tr>
          <th scope="col" className="py-1 pl-4 text-left">
            Run
          </th>
          {head('Condition', 'condition')}
          {head('Trial', 'trial')}
          {table.columns.map((column) => head(runsHead(column), { symbol: column.symbol }, column.title))}
          <th scope="col" className="px-4 text-left">
            Readings
          </th>
          <th scope="col" className="pr-4">
            <span className="sr-only">Counts</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {runs.map((run) => (
          <RunRow
            key={run.id}
            notebook={notebook}
            run={run}
            isCurrent={run.id === current}
            onRun={onRun}
            onSetAside={onSetAside}
          >
            {table.columns.map(({ symbol }) => {
              const entry = notebook.entries.find((one) => one.symbol === symbol)
              return (
                <td key={symbol} className={`pl-4 whitespace-nowrap ${run.aside === null ? '' : 'line-through'}`}>
                  {entry === undefined ? (
                    cellText(cellOf(table, run.id, symbol))
                  ) : (
                    <RunEntry notebook={notebook} entry={entry} run={run} />
                  )}
                </td>
              )
            })}
          </RunRow>
        ))}
      </tbody>
    </table>
  )
}

interface RunRowProps {
  notebook: Notebook
  run: RunSummary
  isCurrent: boolean
  onRun: (id: number) => void
  onSetAside: (run: RunSummary) => void
  children: React.ReactNode
}

function RunRow({ notebook, run, isCurrent, onRun, onSetAside, children }: RunRowProps) {
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
      <td className="pr-4 text-right font-sans whitespace-nowrap">
        <button
          type="button"
          className="word-button font-normal!"
          title={run.aside === null ? 'Out of means, figures and lines over the runs' : `Set aside: ${run.aside}`}
          aria-label={run.aside === null ? `Set ${run.name} aside` : `Take ${run.name} back`}
          onClick={() => {
            if (run.aside === null) onSetAside(run)
            else change.act({ aside: null })
          }}
        >
          {run.aside === null ? 'set aside' : 'take back'}
        </button>
      </td>
    </tr>
  )
}
