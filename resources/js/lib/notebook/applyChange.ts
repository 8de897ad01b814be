import type { Change, ChangedThing, Notebook, WorkedLine } from '../api/types'

type Lists = Pick<Notebook, 'entries' | 'columns' | 'spans' | 'figures' | 'lines' | 'runs'>

const LISTS = {
  entry: 'entries',
  column: 'columns',
  span: 'spans',
  figure: 'figures',
  line: 'lines',
  run: 'runs',
} as const satisfies Record<Exclude<ChangedThing['kind'], 'experiment'>, keyof Lists>

/** The notebook with what a change has changed. */
export function applyChange(notebook: Notebook, change: Change): Notebook {
  const now: Notebook = {
    ...notebook,
    revision: change.revision,
    stages: change.stages ?? notebook.stages,
    undo: change.undo,
    redo: change.redo,
    updatedAt: new Date().toISOString(),
  }
  for (const thing of change.changed) {
    if (thing.kind === 'experiment') {
      Object.assign(now, thing.value)
    } else {
      put(now, LISTS[thing.kind], thing)
    }
  }
  return now
}

function put(notebook: Notebook, name: keyof Lists, { id, value }: ChangedThing): void {
  const others = (notebook[name] as { id: number }[]).filter((thing) => thing.id !== id)
  const all = value === null ? others : [...others, value as unknown as { id: number }]
  Object.assign(notebook, { [name]: all.sort(byPlace) })
}

function byPlace(a: { id: number; position?: number; number?: number }, b: typeof a): number {
  return (a.position ?? a.number ?? 0) - (b.position ?? b.number ?? 0) || a.id - b.id
}

/** The worked lines after a change; those of lines and runs that are gone go too. */
export function applyWorked(worked: readonly WorkedLine[], change: Change, notebook: Notebook): WorkedLine[] {
  const key = (line: WorkedLine) => `${line.symbol} ${line.runId ?? ''}`
  const all = new Map(worked.map((line) => [key(line), line]))
  for (const line of change.worked) all.set(key(line), line)
  const symbols = new Set(notebook.lines.map(({ symbol }) => symbol))
  const runs = new Set(notebook.runs.map(({ id }) => id))
  return [...all.values()].filter(({ symbol, runId }) => symbols.has(symbol) && (runId === null || runs.has(runId)))
}

/** Whether something was changed in between that this screen has not heard of. */
export function hasMissed(notebook: Notebook, change: Change): boolean {
  return change.revision > notebook.revision + 1
}
