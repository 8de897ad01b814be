import type { Point } from '../figure/drawn'

/** What can be seen of a run: from where to where, and a line for each column that was asked for. */
export interface RunPoints {
  from: number
  to: number
  lines: Record<string, Point[]>
}

/** Reads a packed answer: little-endian, as docs/openapi.yaml tells it. */
export function unpackPoints(bytes: ArrayBuffer, symbols: readonly string[]): RunPoints {
  const view = new DataView(bytes)
  const from = view.getFloat64(0, true)
  const to = view.getFloat64(8, true)
  const lines: Record<string, Point[]> = {}
  let at = 16
  for (const symbol of symbols) {
    const isSamples = view.getUint32(at, true) === 1
    const count = view.getUint32(at + 4, true)
    at += 8
    const pairs: Point[] = []
    for (let i = 0; i < count; i++, at += 8) pairs.push([view.getFloat32(at, true), view.getFloat32(at + 4, true)])
    lines[symbol] = isSamples ? pairs.map(([t, value]) => [from + t, value]) : outline(pairs, from, to)
  }
  return { from, to, lines }
}

/** Smallest and largest of each column of pixels as one line that goes through all of them. */
function outline(pairs: readonly Point[], from: number, to: number): Point[] {
  const width = (to - from) / Math.max(1, pairs.length)
  return pairs.flatMap(([low, high], i): Point[] => {
    if (Number.isNaN(low)) return []
    const middle = from + (i + 0.5) * width
    return low === high ? [[middle, low]] : i % 2 === 0 ? [[middle, low], [middle, high]] : [[middle, high], [middle, low]] // prettier-ignore
  })
}

/** A value that was shown live: moment of the run and number. */
export type LiveTail = readonly Point[]

/** A line with what was shown live since it was fetched. */
export function withTail(line: readonly Point[], tail: LiveTail): Point[] {
  const last = line.at(-1)?.[0] ?? -Infinity
  return [...line, ...tail.filter(([t]) => t > last)]
}
