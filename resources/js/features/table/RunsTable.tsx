import { useState } from 'react'
import type { Notebook, RunSummary } from '../../lib/api/types'
import { copyText, NOT_COPIED } from '../../lib/copyText'
import { countOf } from '../../lib/format'
import { byCondition, conditionsText, ordered, runsText, type RunOrder } from '../../lib/notebook/runsTable'
import { ProblemNote } from '../../ui/ProblemNote'
import { useNotices } from '../../ui/notices'
import { WordSelect } from '../../ui/WordSelect'
import { AddEntry } from '../entries/AddEntry'
import { useFigures, useRunsTable } from '../notebook'
import { ByCondition } from './ByCondition'
import { EveryRun } from './EveryRun'
import { RunAsideDialog } from '../runs'

interface RunsTableProps {
  notebook: Notebook
  current: number
  onRun: (id: number) => void
  /** A further line, by a method: a formula for each run is a column, others compare runs. */
  onLine: (method: string) => void
  /** A figure of the runs was made. */
  onFigure: () => void
}

/** The runs beside each other, each or by condition: what was typed for each, and what its lines come to. */
export function RunsTable({ notebook, current, onRun, onLine, onFigure }: RunsTableProps) {
  const table = useRunsTable(notebook.id, notebook.revision)
  const { add } = useFigures(notebook.id)
  const { tell } = useNotices()
  const [isGrouped, setIsGrouped] = useState(notebook.runs.some(({ condition }) => condition !== null))
  const [symbol, setSymbol] = useState('')
  const [order, setOrder] = useState<RunOrder>({ by: 'place' })
  const [isTyping, setIsTyping] = useState(false)
  const [asking, setAsking] = useState<RunSummary | null>(null)
  if (table.data === undefined) {
    return table.error === null ? <p className="quiet p-4">…</p> : <ProblemNote problem={table.error} />
  }
  const { columns } = table.data
  // What is looked at by condition: a result rather than what was set.
  const column =
    columns.find((one) => one.symbol === symbol) ?? columns.find(({ kind }) => kind === 'line') ?? columns[0]
  const rows = byCondition(notebook.runs)
  const x =
    columns.find(({ symbol: of, kind }) => kind === 'entry' && of !== column?.symbol) ??
    columns.find((one) => one !== column)

  async function handleCopy() {
    if (table.data === undefined) return
    const text =
      isGrouped && column !== undefined
        ? conditionsText(rows, table.data, column)
        : runsText(ordered(notebook.runs, table.data, order), table.data)
    tell((await copyText(text)) ? 'The table is copied, with tabs between its cells.' : NOT_COPIED)
  }

  return (
    <div className="border-base-300 border-t">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 px-4 py-1.5 text-sm">
        {[false, true].map((grouped) => (
          <button
            key={String(grouped)}
            type="button"
            className={`cursor-pointer ${isGrouped === grouped ? 'border-primary border-b-2 font-bold' : 'font-semibold'}`}
            aria-pressed={isGrouped === grouped}
            onClick={() => {
              setIsGrouped(grouped)
            }}
          >
            {grouped ? 'by condition' : 'every run'}
          </button>
        ))}
        {isGrouped && column !== undefined ? (
          <span>
            of{' '}
            <WordSelect
              label="Column that is grouped"
              value={column.symbol}
              options={columns.map((one) => one.symbol)}
              onChange={setSymbol}
            />{' '}
            <span className="quiet">{column.title}</span>
          </span>
        ) : (
          <span className="quiet">{countOf(notebook.runs.length, 'run')}</span>
        )}
        <span className="flex-1" />
        <button
          type="button"
          className="word-button"
          onClick={() => {
            setIsTyping(true)
          }}
        >
          + typed column
        </button>
        <button
          type="button"
          className="word-button"
          title="A column that is worked out for each run"
          onClick={() => {
            onLine('formula')
          }}
        >
          + formula
        </button>
        {column === undefined || notebook.runs.length < 2 ? null : (
          <button
            type="button"
            className="word-button"
            title="By how much a result differs between two of them"
            onClick={() => {
              onLine('two-runs')
            }}
          >
            compare two runs
          </button>
        )}
        {column === undefined ? null : (
          <button
            type="button"
            className="word-button"
            disabled={add.isPending || x === undefined}
            title={
              x === undefined
                ? 'A figure needs a second column: type what was set in each run, or add a column'
                : `${column.symbol} against ${x.symbol}`
            }
            onClick={() => {
              if (x === undefined) return
              add.act(
                { title: '', x: x.symbol, panels: [{ y: [column.symbol] }], points: 'apart', bars: true },
                onFigure,
              )
            }}
          >
            figure of this table
          </button>
        )}
        <button type="button" className="word-button" onClick={() => void handleCopy()}>
          copy
        </button>
        <a className="word-button" href={`/api/experiments/${notebook.id}/runs-table.csv?decimal=point`} download>
          CSV
        </a>
      </div>
      <ProblemNote problem={add.error} />
      {isTyping ? (
        <div className="px-4 pb-2">
          <AddEntry
            notebook={notebook}
            isPerRun
            onDone={() => {
              setIsTyping(false)
              setIsGrouped(false)
            }}
          />
        </div>
      ) : null}
      <div className="h-52 overflow-auto" tabIndex={0} role="region" aria-label="Runs">
        {isGrouped && column !== undefined ? (
          <ByCondition table={table.data} rows={rows} column={column} onRun={onRun} />
        ) : (
          <EveryRun
            notebook={notebook}
            table={table.data}
            runs={ordered(notebook.runs, table.data, order)}
            order={order}
            current={current}
            onOrder={setOrder}
            onRun={onRun}
            onSetAside={setAsking}
          />
        )}
      </div>
      {asking === null ? null : (
        <RunAsideDialog
          notebook={notebook}
          run={asking}
          onClose={() => {
            setAsking(null)
          }}
        />
      )}
    </div>
  )
}
