import type { Reading } from '../api/types'

/** What is picked on a figure: nothing, one reading, or a span of volumes with the readings inside. */
export type Selection =
  | { kind: 'none' }
  | { kind: 'reading'; id: number }
  | { kind: 'span'; from: number; to: number; anchor: number; head: number }

export const NOTHING: Selection = { kind: 'none' }

export function spanBetween(anchor: number, head: number): Selection {
  return { kind: 'span', from: Math.min(anchor, head), to: Math.max(anchor, head), anchor, head }
}

/** The readings inside a span that count, by volume. */
export function readingsIn(readings: readonly Reading[], from: number, to: number): Reading[] {
  return readings.filter((reading) => reading.volume >= from && reading.volume <= to && reading.setAsideReason === null)
}

type Movement = 'back' | 'on'

/** The next reading in a direction; from nothing, the first one that way. */
export function movePick(readings: readonly Reading[], selection: Selection, movement: Movement): Selection {
  if (readings.length === 0) return NOTHING
  const index = selection.kind === 'reading' ? readings.findIndex((reading) => reading.id === selection.id) : -1
  const start = movement === 'on' ? 0 : readings.length - 1
  const wanted = index === -1 ? start : index + (movement === 'on' ? 1 : -1)
  const reading = readings[Math.max(0, Math.min(readings.length - 1, wanted))]
  return reading === undefined ? NOTHING : { kind: 'reading', id: reading.id }
}

/** Stretches the span from where it began to the next reading in a direction. */
export function stretchSpan(readings: readonly Reading[], selection: Selection, movement: Movement): Selection {
  const volumes = readings.map((reading) => reading.volume)
  const first = volumes[0]
  if (first === undefined) return NOTHING
  const anchor =
    selection.kind === 'span'
      ? selection.anchor
      : selection.kind === 'reading'
        ? (readings.find((reading) => reading.id === selection.id)?.volume ?? first)
        : first
  const head = selection.kind === 'span' ? selection.head : anchor
  const next =
    movement === 'on'
      ? volumes.find((volume) => volume > head + 1e-9)
      : volumes.filter((volume) => volume < head - 1e-9).at(-1)
  return spanBetween(anchor, next ?? head)
}
