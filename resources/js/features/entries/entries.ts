import type { Entry, Notebook } from '../../lib/api/types'
import { typeset } from '../../lib/format'
import { unitBehind } from '../../lib/notebook/labels'

/** Entries of the experiment that are still to be typed. */
export function missingEntries(notebook: Notebook): Entry[] {
  return notebook.entries.filter((entry) => !entry.isWords && !entry.isPerRun && entry.value === null)
}

/** A typed value as it is read: "25.00 mL". */
export function entryText(entry: Entry): string {
  if (entry.isWords) return entry.text ?? ''
  if (entry.value === null) return '—'
  return `${typeset(String(entry.value))} ${unitBehind(entry.unit)}`.trim()
}

/** What is typed of an entry for a run, with its ±; empty while nothing is. */
export function entryOfRun(entry: Entry, runId: number): string {
  const now = entry.ofRuns.find((one) => one.runId === runId)
  if (now?.value == null) return ''
  return now.uncertainty > 0 ? `${now.value} ± ${now.uncertainty}` : String(now.value)
}

const MOST_TOLD = 3

/** The typed values in a few words, for a run card: "NaOH, whey, c 0.1 mol/L …". */
export function typedWords(notebook: Notebook): string {
  const words = notebook.entries.filter(({ isWords }) => isWords).map(entryText)
  const values = notebook.entries
    .filter((entry) => !entry.isWords && entry.value !== null)
    .map((entry) => `${entry.symbol} ${entryText(entry)}`)
  const told = [...words, ...values].filter((text) => text !== '')
  const missing = missingEntries(notebook).length
  const shown = told.slice(0, words.length + MOST_TOLD).join(', ')
  return missing === 0 ? shown : `${shown}${shown === '' ? '' : '; '}${missing} still to type`
}
