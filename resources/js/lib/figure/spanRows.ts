import type { Measured, SpanNumbers } from '../api/types'
import { measuredText } from '../notebook/labels'

export interface SpanRow {
  /** What is pressed to keep it. */
  word: string
  value: string
  beside: string[]
  problem: string | null
  keep: { method: string; title: string; texts: Record<string, string> }
}

type Line = SpanNumbers['lines'][number]

interface Telling {
  word: string
  /** What a line that is kept of it is called, before its column. */
  title: string
  method: string
  baseline?: string
  /** The name of its number. */
  value: string
  /** Words of the numbers beside it, by name. */
  beside: Readonly<Record<string, string>>
}

const TELLINGS: readonly Telling[] = [
  {
    word: 'mean',
    title: 'Mean of',
    method: 'statistics',
    value: 'mean',
    beside: { n: 'n', sd: 'sd', median: 'median', min: 'least', max: 'most' },
  },
  {
    word: 'change',
    title: 'Change of',
    method: 'ends',
    value: 'change',
    beside: { start: 'from', end: 'to', over: 'over' },
  },
  { word: 'slope', title: 'Slope of', method: 'slope', value: 'slope', beside: {} },
  { word: 'area', title: 'Area under', method: 'area', baseline: 'zero', value: 'area', beside: {} },
  {
    word: 'area above start',
    title: 'Area above the start of',
    method: 'area',
    baseline: 'first',
    value: 'area',
    beside: {},
  },
  {
    word: 'area above ends',
    title: 'Area above the ends of',
    method: 'area',
    baseline: 'ends',
    value: 'area',
    beside: {},
  },
]

const part = (line: Line, name: string): Measured | undefined => line.numbers.find((one) => one.name === name)?.measured

/** The numbers of a span in the order a person reads them, each with what is told beside it. */
export function spanRows({ y, lines }: SpanNumbers): SpanRow[] {
  return TELLINGS.flatMap(({ word, title, method, baseline, value, beside }) => {
    const line = lines.find((one) => one.method === method && one.texts.baseline === baseline)
    if (line === undefined) return []
    const measured = part(line, value)
    return [
      {
        word,
        value: measured === undefined ? '' : measuredText(measured),
        beside: measured === undefined ? [] : besideWords(line, beside, measured.unit),
        problem: measured === undefined ? (line.problem ?? 'There is nothing to tell.') : null,
        keep: { method, title: `${title} ${y}`, texts: line.texts },
      },
    ]
  })
}

/** Numbers in the unit of the one they stand beside are written without it. */
function besideWords(line: Line, names: Readonly<Record<string, string>>, unit: string): string[] {
  return Object.entries(names).flatMap(([name, word]) => {
    const measured = part(line, name)
    if (measured === undefined) return []
    return [`${word} ${measuredText(measured.unit === unit ? { ...measured, unit: '' } : measured)}`]
  })
}
