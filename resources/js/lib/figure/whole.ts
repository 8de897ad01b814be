import type { Column } from '../api/types'
import { niceRange, restRange, tightRange, wishedRange, type DrawnRange } from './axes'
import { drawnPoints, placesOf, wordsOf, type FigureInput } from './drawn'

interface WholeX {
  words: string[] | null
  range: DrawnRange
}

interface WholeY {
  range: DrawnRange
  /** Whether there is nothing along it. */
  isEmpty: boolean
}

/** Of what is drawn the whole is known; it is not found anew with every frame while a hand moves what is seen. */
const wholeXOf = new WeakMap<FigureInput, WholeX>()
const wholeYOf = new WeakMap<FigureInput, Map<string, WholeY>>()

/** Words along x if it has some, and as much of it as is drawn. */
export function wholeX(input: FigureInput): WholeX {
  const known = wholeXOf.get(input)
  if (known !== undefined) return known
  const { x, runs, drawing, leastX = null, isTight = false } = input
  const words = wordsOf(x, runs)
  const usual = (values: Iterable<number>) => (isTight ? tightRange : niceRange)(values, leastX)
  const range: DrawnRange =
    words === null
      ? wishedRange(placesOf(input, words), drawing?.axis ?? null, usual)
      : { min: -0.5, max: Math.max(0.5, words.length - 0.5), step: 1 }
  wholeXOf.set(input, { words, range })
  return { words, range }
}

/** As much of y as is drawn along an axis of a panel. */
export function wholeY(
  columns: readonly Column[],
  panel: number,
  input: FigureInput,
  words: string[] | null,
  isRight: boolean,
  few: number | undefined,
): WholeY {
  const all = wholeYOf.get(input) ?? new Map<string, WholeY>()
  wholeYOf.set(input, all)
  const key = `${panel} ${isRight} ${few}`
  const known = all.get(key)
  if (known !== undefined) return known
  const { x, runs, drawing } = input
  const wish = isRight ? drawing?.panels[panel]?.rightAxis : drawing?.panels[panel]?.axis
  const values = columns.flatMap((y) => runs.flatMap((run) => drawnPoints(run, x, y, words).map(([, v]) => v)))
  const isRecorded = x.kind === 'time' && columns.every(({ kind }) => kind === 'measured')
  const range = wishedRange(values, wish ?? null, (of) => niceRange(of, isRecorded ? restRange(values) : null, few))
  const made = { range, isEmpty: values.length === 0 }
  all.set(key, made)
  return made
}
