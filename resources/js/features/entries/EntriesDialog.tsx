import { useState } from 'react'
import { Problem } from '../../lib/api/problem'
import type { Entry, Notebook } from '../../lib/api/types'
import { unitBehind } from '../../lib/notebook/labels'
import { Dialog } from '../../ui/Dialog'
import { DialogDone } from '../../ui/DialogActions'
import { useEntries } from '../notebook'
import { TypedField } from './TypedField'

interface EntriesDialogProps {
  notebook: Notebook
  /** Whose values an entry for each run is asked for. */
  runId?: number | null
  onClose: () => void
}

/** Typed values with their ±, in the order they are measured: each is kept as soon as its field is left. */
export function EntriesDialog({ notebook, runId = null, onClose }: EntriesDialogProps) {
  const { type } = useEntries(notebook.id)
  const [place, setPlace] = useState<string | null>(null)
  const [said, setSaid] = useState<{ entry: number; text: string } | null>(null)
  const refused = type.error instanceof Problem && type.error.status === 422 ? type.error.message : undefined
  const words = notebook.entries.filter(({ isWords }) => isWords)
  const values = notebook.entries.filter((entry) => !entry.isWords && (!entry.isPerRun || runId !== null))

  function handleType(entry: Entry, part: 'typed' | 'uncertainty' | 'text', text: string) {
    setPlace(`${entry.id} ${part}`)
    setSaid(null)
    type.act({ entry: entry.id, [part]: text, ...(entry.isPerRun ? { runId } : {}) }, (answer) => {
      setPlace(null)
      if (answer.said !== null) setSaid({ entry: entry.id, text: answer.said })
    })
  }
  const problemOf = (entry: Entry, part: string) => (place === `${entry.id} ${part}` ? refused : undefined)
  const now = (entry: Entry) => (entry.isPerRun ? entry.ofRuns.find((one) => one.runId === runId) : entry)

  return (
    <Dialog title="Typed values" onClose={onClose}>
      {words.length === 0 ? null : (
        <div className="mb-4 grid gap-3 sm:grid-cols-3">
          {words.map((entry) => (
            <TypedField
              key={entry.id}
              label={entry.shownName}
              value={entry.text ?? ''}
              problem={problemOf(entry, 'text')}
              onChange={(text) => {
                handleType(entry, 'text', text)
              }}
            />
          ))}
        </div>
      )}
      {notebook.entries.length === 0 ? (
        <p className="quiet">This notebook has no entries. Add one under “Columns and entries”.</p>
      ) : null}
      <ul className="grid grid-cols-[1fr_7rem_6rem_3.2rem] items-start gap-x-3 gap-y-3">
        {values.map((entry) => (
          <li key={entry.id} className="contents">
            <span className="pt-1">
              {entry.shownName} <span className="num quiet">{entry.symbol}</span>
              {said?.entry === entry.id ? (
                <span role="status" className="amber block text-sm">
                  {said.text}
                </span>
              ) : null}
            </span>
            <TypedField
              label={`${entry.shownName}, ${entry.symbol}`}
              hideLabel
              value={now(entry)?.value == null ? '' : String(now(entry)?.value)}
              problem={problemOf(entry, 'typed')}
              onChange={(text) => {
                handleType(entry, 'typed', text)
              }}
            />
            <span className="flex items-start gap-1.5">
              <span aria-hidden="true" className="pt-1">
                ±
              </span>
              <TypedField
                label={`± of ${entry.symbol}`}
                hideLabel
                value={(now(entry)?.uncertainty ?? 0) === 0 ? '' : String(now(entry)?.uncertainty)}
                problem={problemOf(entry, 'uncertainty')}
                onChange={(text) => {
                  handleType(entry, 'uncertainty', text)
                }}
              />
            </span>
            <span className="quiet pt-1 text-sm">{unitBehind(entry.unit)}</span>
          </li>
        ))}
      </ul>
      <DialogDone problem={refused !== undefined && place !== null ? null : type.error} onDone={onClose} />
    </Dialog>
  )
}
