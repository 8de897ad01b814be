import type { Line, Method, Notebook } from '../../lib/api/types'
import { parseNumber } from '../../lib/format'
import { lowerFirst, unitBehind } from '../../lib/notebook/labels'

type Slot = Method['inputs'][number]

export interface Choice {
  symbol: string
  words: string
}

/** What a column input can be: the columns of the rows, and what has one value for each run. */
export function columnChoices(notebook: Notebook, slot: Slot): Choice[] {
  const columns = notebook.columns.filter(({ isWords }) => !isWords)
  // Columns of the very unit it asks for come first; others may still be of the same kind.
  const fitting = [...columns].sort((a, b) => Number(b.unit === slot.unit) - Number(a.unit === slot.unit))
  return [
    ...(slot.unit === '' ? columns : fitting).map(({ symbol, shownName, unit }) => ({
      symbol,
      words: named(symbol, shownName, unit),
    })),
    ...notebook.entries
      .filter(({ isPerRun, isWords }) => isPerRun && !isWords)
      .map(({ symbol, shownName, unit }) => ({ symbol, words: `${named(symbol, shownName, unit)}, of each run` })),
    ...notebook.lines
      .filter(({ isPerRun }) => isPerRun)
      .map(({ symbol, shownTitle }) => ({ symbol, words: `${symbol}, ${shownTitle}, of each run` })),
  ]
}

/** What a number input can be besides typed: an entry or a line. */
export function valueChoices(notebook: Notebook): Choice[] {
  return [
    ...notebook.entries
      .filter(({ isWords }) => !isWords)
      .map(({ symbol, shownName, unit }) => ({ symbol, words: named(symbol, shownName, unit) })),
    ...notebook.lines.map(({ symbol, shownTitle }) => ({ symbol, words: `${symbol}, ${shownTitle}` })),
  ]
}

/** The runs by their numbers. */
export function runChoices(notebook: Notebook): Choice[] {
  return notebook.runs.map(({ number, name }) => ({ symbol: String(number), words: name }))
}

/** Whether a method compares what runs have come to, and is worked out for none of them. */
export function isAcross(method: Method): boolean {
  return method.inputs.some(({ kind }) => kind === 'run')
}

/** A title of two has its place beside what it comes to. */
const LONGEST_TITLE = 60

/** What a line is called before anybody calls it something: by its method; one that compares runs by what it compares. */
export function usualTitle(
  method: Method,
  filled: Filled,
  results: readonly { symbol: string; title: string }[],
  runs: readonly { number: number; name: string }[],
): string {
  const compared = method.inputs
    .filter(({ kind }) => kind === 'run')
    .map(({ name }) => runs.find(({ number }) => String(number) === filled[name])?.name ?? '')
  const symbol = filled[method.inputs.find(({ kind }) => kind === 'result')?.name ?? ''] ?? ''
  if (symbol === '' || compared.length < 2 || compared.includes('')) return method.name
  const known = results.find((result) => result.symbol === symbol)?.title ?? symbol
  const title = known.length > LONGEST_TITLE ? symbol : known
  return `${title}, ${compared.map(lowerFirst).join(' less ')}`
}

function named(symbol: string, name: string, unit: string): string {
  const behind = unitBehind(unit, symbol)
  return `${symbol === name ? symbol : `${symbol}, ${name}`}${behind === '' ? '' : ` in ${behind}`}`
}

/** What is typed or chosen for each input, by its name. */
export type Filled = Record<string, string>

export interface Told {
  uses: Record<string, string>
  texts: Record<string, string>
  numbers: Record<string, { value: number; uncertainty: number; unit: string }>
}

/** Whether a text is one of the symbols that can be chosen. */
function isSymbol(notebook: Notebook, text: string): boolean {
  const base = text.split('.')[0] ?? ''
  return [...notebook.entries, ...notebook.columns, ...notebook.lines].some(({ symbol }) => symbol === base)
}

/** What the inputs of a line are now, as its form shows them. */
export function filledOf(line: Line): Filled {
  const numbers = Object.entries(line.numbers).map(([slot, { value }]) => [slot, String(value)] as const)
  return { ...line.texts, ...Object.fromEntries<string>(numbers), ...line.uses }
}

/**
 * As the server takes it; and what is still to be said, in words. Of a line that is changed, a number nobody touched keeps its
 * ± and its unit, and a text that was emptied is told empty.
 */
export function toldOf(
  method: Method,
  filled: Filled,
  notebook: Notebook,
  before?: Line,
): { told: Told; missing: string[] } {
  const told: Told = { uses: {}, texts: {}, numbers: {} }
  const missing: string[] = []
  for (const slot of method.inputs) {
    const text = (filled[slot.name] ?? '').trim()
    const known = before?.numbers[slot.name]
    if (text === '') {
      if (before?.texts[slot.name] !== undefined) told.texts[slot.name] = ''
      if (slot.isRequired && slot.default === null && slot.kind !== 'values') missing.push(slot.words)
    } else if (
      slot.kind === 'column' ||
      slot.kind === 'result' ||
      (slot.kind === 'number' && isSymbol(notebook, text))
    ) {
      told.uses[slot.name] = text
    } else if (slot.kind === 'number') {
      const value = parseNumber(text)
      const column =
        slot.unitOf === null ? undefined : notebook.columns.find(({ symbol }) => symbol === filled[slot.unitOf ?? ''])
      if (value !== null && known?.value === value) {
        told.numbers[slot.name] = { value, uncertainty: known.uncertainty ?? 0, unit: known.unit ?? slot.unit }
      } else if (value === null) missing.push(`${slot.words}, as a number or a symbol`)
      else told.numbers[slot.name] = { value, uncertainty: 0, unit: column?.unit ?? slot.unit }
    } else if (slot.kind === 'text' || slot.kind === 'run') {
      told.texts[slot.name] = text
    }
  }
  return { told, missing }
}

/** The methods that fit what is there: those whose columns the notebook can give. */
export function fittingMethods(methods: readonly Method[], notebook: Notebook): Method[] {
  const units = new Set(notebook.columns.map(({ unit }) => unit))
  const canCompare = notebook.runs.length > 1 && [...notebook.lines, ...notebook.entries].some((one) => one.isPerRun)
  return methods.filter(
    (method) =>
      method.isForLines &&
      (canCompare || !isAcross(method)) &&
      method.inputs.every(
        (slot) => slot.kind !== 'column' || (slot.unit === '' ? notebook.columns.length > 0 : units.has(slot.unit)),
      ),
  )
}

/** What an input is likely to be: the columns of the figure, what has the unit it asks for, the span that is marked. */
export function likely(method: Method, notebook: Notebook, span: { from: number; to: number } | null): Filled {
  const [figure] = notebook.figures
  const filled: Filled = {}
  const latest = runChoices(notebook).reverse()
  for (const slot of method.inputs) {
    if (slot.kind === 'column') {
      const byUnit = notebook.columns.find(({ unit, kind }) => unit === slot.unit && kind !== 'derived')
      const drawn = slot.name === 'x' ? figure?.x : figure?.panels[0]?.y[0]
      filled[slot.name] = (slot.unit === '' ? drawn : byUnit?.symbol) ?? ''
    } else if (slot.kind === 'number' && span !== null && (slot.name === 'from' || slot.name === 'to')) {
      filled[slot.name] = String(Number((slot.name === 'from' ? span.from : span.to).toPrecision(6)))
    } else if (slot.kind === 'result') {
      filled[slot.name] = notebook.lines.find(({ isPerRun }) => isPerRun)?.symbol ?? ''
    } else if (slot.kind === 'run') {
      // The later of the last two runs, less the earlier.
      filled[slot.name] = latest.shift()?.symbol ?? ''
    } else if (slot.kind === 'text') {
      filled[slot.name] = slot.default ?? ''
    }
  }
  return filled
}
