import type { Entry, Notebook, RunSummary } from '../../lib/api/types'
import { sentenceOf } from '../../lib/api/problem'
import { entryOfRun } from '../entries/entries'
import { TypedField } from '../entries/TypedField'
import { useEntries } from '../notebook'

/** What is typed for a run, in its cell of the runs table. */
export function RunEntry({ notebook, entry, run }: { notebook: Notebook; entry: Entry; run: RunSummary }) {
  const { type } = useEntries(notebook.id)
  return (
    <span className="ml-auto flex w-44 justify-end text-right whitespace-normal">
      <TypedField
        label={`${entry.shownName} of ${run.name}`}
        hideLabel
        widthClass="w-28 text-right"
        value={entryOfRun(entry, run.id)}
        problem={type.error === null ? undefined : sentenceOf(type.error)}
        onChange={(typed) => {
          type.act({ entry: entry.id, runId: run.id, typed })
        }}
      />
    </span>
  )
}
