import { useState } from 'react'
import type { Column, Entry, Notebook } from '../../lib/api/types'
import { unitBehind } from '../../lib/notebook/labels'
import { Dialog } from '../../ui/Dialog'
import { DialogDone } from '../../ui/DialogActions'
import { ProblemNote } from '../../ui/ProblemNote'
import { useColumns, useEntries } from '../notebook'
import { AddColumn } from './AddColumn'
import { AddEntry } from './AddEntry'
import { TypedField } from './TypedField'

const HOW: Record<Column['kind'], string> = {
  time: 'time',
  measured: 'measured',
  step: 'set from reading to reading',
  typed: 'typed',
  derived: 'by a formula',
}

/** What the notebook holds: columns and entries, each with name, symbol and unit; formulas can be changed. */
export function ThingsDialog({ notebook, onClose }: { notebook: Notebook; onClose: () => void }) {
  const columns = useColumns(notebook.id)
  const entries = useEntries(notebook.id)
  const [adding, setAdding] = useState<'column' | 'entry' | null>(notebook.columns.length === 0 ? 'column' : null)
  const problem = columns.change.error ?? columns.remove.error ?? entries.change.error ?? entries.remove.error

  return (
    <Dialog title="Columns and entries" isWide onClose={onClose}>
      <Things
        title="Columns"
        things={notebook.columns}
        how={(column) =>
          column.kind === 'derived' ? (
            <TypedFormula
              value={column.formula ?? ''}
              label={`Formula of ${column.symbol}`}
              onChange={(formula) => {
                columns.change.act({ column: column.id, formula })
              }}
            />
          ) : (
            <span className="quiet">{HOW[column.kind]}</span>
          )
        }
        onRename={(column, change) => {
          columns.change.act({ column: column.id, ...change })
        }}
        onRemove={(column) => {
          columns.remove.act(column.id)
        }}
      />
      <Things
        title="Entries"
        things={notebook.entries}
        how={(entry) => (
          <span className="quiet">{entry.isWords ? 'words' : entry.isPerRun ? 'for each run' : 'typed once'}</span>
        )}
        onRename={(entry, change) => {
          entries.change.act({ entry: entry.id, ...change })
        }}
        onRemove={(entry) => {
          entries.remove.act(entry.id)
        }}
      />
      <ProblemNote problem={problem} />
      {adding === 'column' ? (
        <AddColumn
          notebook={notebook}
          onDone={() => {
            setAdding(null)
          }}
        />
      ) : null}
      {adding === 'entry' ? (
        <AddEntry
          notebook={notebook}
          onDone={() => {
            setAdding(null)
          }}
        />
      ) : null}
      {adding === null ? (
        <p className="mt-3 flex gap-5">
          <button
            type="button"
            className="word-button"
            onClick={() => {
              setAdding('column')
            }}
          >
            + column
          </button>
          <button
            type="button"
            className="word-button"
            onClick={() => {
              setAdding('entry')
            }}
          >
            + entry
          </button>
        </p>
      ) : null}
      <DialogDone onDone={onClose} />
    </Dialog>
  )
}

interface ThingsProps<Thing extends Column | Entry> {
  title: string
  things: readonly Thing[]
  how: (thing: Thing) => React.ReactNode
  onRename: (thing: Thing, change: { name?: string; symbol?: string }) => void
  onRemove: (thing: Thing) => void
}

function Things<Thing extends Column | Entry>({ title, things, how, onRename, onRemove }: ThingsProps<Thing>) {
  if (things.length === 0) return null
  return (
    <section className="mb-4">
      <h3 className="mb-1 font-semibold">{title}</h3>
      <ul className="grid grid-cols-[1fr_5.5rem_4.5rem_1fr_auto] items-center gap-x-3 gap-y-1.5">
        {things.map((thing) => (
          <li key={thing.id} className="contents">
            <TypedField
              label={`Name of ${thing.symbol}`}
              hideLabel
              value={thing.name}
              onChange={(name) => {
                if (name !== '') onRename(thing, { name })
              }}
            />
            <TypedField
              label={`Symbol of ${thing.name}`}
              hideLabel
              value={thing.symbol}
              onChange={(symbol) => {
                if (symbol !== '') onRename(thing, { symbol })
              }}
            />
            <span className="quiet text-sm">{unitBehind(thing.unit)}</span>
            <span className="text-sm">{how(thing)}</span>
            <button
              type="button"
              className="word-button text-sm font-normal!"
              aria-label={`Remove ${thing.symbol}`}
              onClick={() => {
                onRemove(thing)
              }}
            >
              remove
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

function TypedFormula({
  value,
  label,
  onChange,
}: {
  value: string
  label: string
  onChange: (formula: string) => void
}) {
  return (
    <span className="flex items-center gap-1 [&>span:last-child]:flex-1">
      <span aria-hidden="true">=</span>
      <TypedField
        label={label}
        hideLabel
        widthClass="w-full"
        value={value}
        onChange={(formula) => {
          if (formula !== '') onChange(formula)
        }}
      />
    </span>
  )
}
