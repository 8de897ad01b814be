import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Notebook, RunRows, RunSummary } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { AddColumn } from '../entries/AddColumn'
import { useColumns } from '../notebook'
import { ColumnCard } from './ColumnCard'
import { FileDialog } from './FileDialog'
import { TypedTable } from './TypedTable'
import { Unreadable } from './Unreadable'

interface TablePanelProps {
  notebook: Notebook
  run: RunSummary
  rows: RunRows
}

/** The table of a typed run with all that is asked of it: its cells, its columns, and what in it is no number. */
export function TablePanel({ notebook, run, rows }: TablePanelProps) {
  const { change } = useColumns(notebook.id)
  const [columnId, setColumnId] = useState<number | null>(null)
  const [isAdding, setIsAdding] = useState(false)
  const [opened, setOpened] = useState<{ source: File | string | null } | null>(null)
  const navigate = useNavigate()
  const column = notebook.columns.find(({ id }) => id === columnId)
  const hidden = notebook.columns.filter(({ isHidden }) => isHidden)
  return (
    <section
      className="panel flex min-h-96 min-w-0 flex-col"
      aria-labelledby="table-title"
      onDragOver={(event) => {
        if (event.dataTransfer.types.includes('Files')) event.preventDefault()
      }}
      onDrop={(event) => {
        const [file] = event.dataTransfer.files
        if (file === undefined) return
        event.preventDefault()
        setOpened({ source: file })
      }}
    >
      <div className="flex flex-wrap items-baseline gap-x-4 px-4 py-3">
        <h2 id="table-title" className="font-semibold">
          Table
        </h2>
        <span className="quiet flex-1 text-sm">{run.name} · typed</span>
        {hidden.map(({ id, symbol }) => (
          <button
            key={id}
            type="button"
            className="word-button text-sm font-normal!"
            onClick={() => {
              change.act({ column: id, isHidden: false })
            }}
          >
            show {symbol}
          </button>
        ))}
        <button
          type="button"
          className="word-button text-sm"
          onClick={() => {
            setIsAdding(true)
          }}
        >
          + column
        </button>
        <button
          type="button"
          className="word-button text-sm"
          onClick={() => {
            setOpened({ source: null })
          }}
        >
          file or text …
        </button>
      </div>
      <TypedTable
        notebook={notebook}
        run={run}
        rows={rows}
        column={columnId}
        onTable={(source) => {
          setOpened({ source })
        }}
        onColumn={(id) => {
          setColumnId(id === columnId ? null : id)
        }}
      />
      <div className="flex flex-col gap-3 px-4 pb-3 empty:hidden">
        {column === undefined ? null : (
          <ColumnCard
            key={column.id}
            notebook={notebook}
            run={run}
            column={column}
            onClose={() => {
              setColumnId(null)
            }}
          />
        )}
        <Unreadable notebook={notebook} run={run} rows={rows} />
        {rows.columns.map(({ symbol, problem }) =>
          problem === null ? null : (
            <p key={symbol} className="text-sm">
              <strong className="amber">{symbol}:</strong> {problem}
            </p>
          ),
        )}
      </div>
      {opened === null ? null : (
        <FileDialog
          notebook={notebook}
          run={run}
          source={opened.source}
          onTaken={(taken) => {
            setOpened(null)
            void navigate(`/experiments/${notebook.id}/record?run=${taken}`)
          }}
          onClose={() => {
            setOpened(null)
          }}
        />
      )}
      {isAdding ? (
        <Dialog
          title="New column"
          isWide
          onClose={() => {
            setIsAdding(false)
          }}
        >
          <AddColumn
            notebook={notebook}
            isForTyping
            onDone={() => {
              setIsAdding(false)
            }}
          />
        </Dialog>
      ) : null}
    </section>
  )
}
