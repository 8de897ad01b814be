import { useState } from 'react'
import type { Notebook, RunSummary, TablePreview } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { guessed, guessedBeside, intoWords, type Wanted, type Way } from '../../lib/table/taking'
import { Note } from '../../ui/Note'
import { FileColumns } from './FileColumns'

type Hints = TablePreview['hints']

interface FilePreviewProps {
  notebook: Notebook
  run: RunSummary
  preview: TablePreview
  isPending: boolean
  onHints: (hints: Hints) => void
  onTake: (wanted: Wanted[], runId: number | null, way: Way) => void
  onClose: () => void
}

const SEPARATORS = { tab: 'tabs', semicolon: 'semicolons', comma: 'commas', bar: 'bars', blank: 'blanks' } as const
const MOST_SHOWN = 3

/** What is understood of a table, each guess to be changed, and where its columns and rows go. */
export function FilePreview({ notebook, run, preview, isPending, onHints, onTake, onClose }: FilePreviewProps) {
  const isEmpty = run.readingCount === 0
  const [wanted, setWanted] = useState(() => guessed(preview, notebook.columns, isEmpty))
  const [into, setInto] = useState<Way>(preview.trials.length > 0 ? 'trials' : isEmpty ? 'run' : 'new')
  const { hints, unreadable } = preview
  const taken = wanted.filter(({ isTaken }) => isTaken)
  const change = (hint: Partial<Hints>) => {
    onHints({ ...hints, ...hint })
  }
  const ways = [
    ...(preview.trials.length > 0 ? ([['trials', intoWords(null, preview.trials.length)]] as const) : []),
    ['new', intoWords(null, 0)] as const,
    ...(run.kind === 'typed'
      ? ([['run', isEmpty ? run.name : `${run.name}, below its ${countOf(run.readingCount, 'row')}`]] as const)
      : []),
    ...(isEmpty ? [] : ([['beside', `further columns of ${run.name}, beside its rows`]] as const)),
  ]

  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 text-sm">
        <strong>{preview.name}</strong>
        <span>{countOf(preview.rowCount, 'row')}</span>
        <label className="flex items-center gap-2">
          <span className="quiet">cells parted by</span>
          <select
            className="select select-sm bg-base-100 w-32"
            value={hints.separator ?? ''}
            disabled={isPending}
            onChange={(event) => {
              change({ separator: event.target.value as Hints['separator'] })
            }}
          >
            {Object.entries(SEPARATORS).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          <span className="quiet">decimal mark</span>
          <select
            className="select select-sm bg-base-100 w-28"
            value={hints.mark ?? ''}
            disabled={isPending}
            onChange={(event) => {
              change({ mark: event.target.value as Hints['mark'] })
            }}
          >
            <option value="point">point</option>
            <option value="comma">comma</option>
          </select>
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={hints.hasHeader ?? false}
            disabled={isPending}
            onChange={(event) => {
              change({ hasHeader: event.target.checked })
            }}
          />
          the first line names the columns
        </label>
      </div>
      <FileColumns
        notebook={notebook}
        preview={into === 'trials' ? preview : { ...preview, trials: [] }}
        wanted={wanted}
        onWanted={setWanted}
      />
      {preview.notes
        .filter((note) => note.startsWith('Not part'))
        .map((note) => (
          <p key={note} className="quiet text-sm">
            {note}
          </p>
        ))}
      {preview.unreadableCount + preview.blankCount === 0 ? null : (
        <Note tone="amber">
          {[
            preview.blankCount === 0 ? null : countOf(preview.blankCount, 'blank cell'),
            preview.unreadableCount === 0
              ? null
              : preview.unreadableCount === 1
                ? '1 cell that is no number'
                : `${preview.unreadableCount} cells that are no numbers`,
          ]
            .filter((part) => part !== null)
            .join(', ')}
          {unreadable.length === 0
            ? '. Blank cells are left out of figures and lines.'
            : `: ${unreadable
                .slice(0, MOST_SHOWN)
                .map(({ row, column, text }) => `row ${row}, ${column}: “${text}”`)
                .join('; ')}. They come into the table as they are, to be put right there.`}
        </Note>
      )}
      <fieldset className="flex flex-wrap gap-x-6 gap-y-1">
        <legend className="quiet text-sm">The rows become</legend>
        {ways.map(([way, words]) => (
          <label key={way} className="flex items-center gap-2">
            <input
              type="radio"
              name="into"
              className="radio radio-sm"
              checked={into === way}
              onChange={() => {
                setInto(way)
                const asked = way === 'trials' ? preview : { ...preview, trials: [] }
                setWanted(
                  way === 'beside' ? guessedBeside(asked, notebook.columns) : guessed(asked, notebook.columns, isEmpty),
                )
              }}
            />
            {words}
          </label>
        ))}
      </fieldset>
      <p className="flex gap-4">
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={isPending || taken.length === 0}
          onClick={() => {
            onTake(wanted, into === 'run' || into === 'beside' || (into === 'trials' && isEmpty) ? run.id : null, into)
          }}
        >
          Take {countOf(preview.rowCount, 'row')} of {countOf(taken.length, 'column')}
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={onClose}>
          Cancel
        </button>
      </p>
    </div>
  )
}
