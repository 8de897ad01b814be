import type { PointNumbers } from '../api/types'
import { measuredText } from '../notebook/labels'

export interface PointRow {
  /** What is pressed to keep it. */
  word: string
  value: string
  beside: string[]
  problem: string | null
  method: string
}

const WORDS: Readonly<Record<string, { word: string; value: string; beside: Readonly<Record<string, string>> }>> = {
  'value-at': { word: 'value', value: 'value', beside: {} },
  tangent: { word: 'tangent', value: 'slope', beside: {} },
  'x-at': { word: '', value: 'x', beside: {} },
  difference: { word: 'change', value: 'dy', beside: { dx: 'over' } },
}

/** What is told of a place, one word a line that can be kept of it. */
export function pointRows({ y, lines }: PointNumbers, height = ''): PointRow[] {
  return lines.flatMap(({ method, numbers, problem }): PointRow[] => {
    const telling = WORDS[method]
    // A height the curve never has is nothing anybody asked for.
    if (telling === undefined || (method === 'x-at' && problem !== null)) return []
    const named = (name: string) => numbers.find((one) => one.name === name)?.measured
    const value = named(telling.value)
    const beside = Object.entries(telling.beside).flatMap(([name, words]) => {
      const known = named(name)
      return known === undefined ? [] : [`${words} ${measuredText(known)}`]
    })
    // Where y has a value tells which: the hand was at a height.
    const word = method === 'x-at' ? `where ${y} is ${height}` : telling.word
    return [{ word, value: value === undefined ? '' : measuredText(value), beside, problem, method }]
  })
}
