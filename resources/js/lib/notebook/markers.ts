import type { Column, Marker, Row } from '../api/types'
import type { PlacedMark } from '../figure/drawn'
import { secondsIn } from '../timed/words'
import { numberOf } from './labels'

const called = (name: string) => (name === '' ? 'marker' : name)

/** The markers of a timed run as rules across a figure against time. */
export function markerMarks(markers: readonly Marker[], time: Column): PlacedMark[] {
  return markers.flatMap(({ at, name }): PlacedMark[] =>
    at === null
      ? []
      : [
          {
            kind: 'vertical',
            xSymbol: time.symbol,
            ySymbol: '',
            x: [at / secondsIn(time.unit)],
            y: [],
            low: null,
            label: 'marker',
            text: called(name),
          },
        ],
  )
}

/** The markers that stand at rows, each at its point; of rows that are not known here none. */
export function pinnedMarks(markers: readonly Marker[], rows: readonly Row[], x: Column, y: Column): PlacedMark[] {
  return markers.flatMap(({ row, name }): PlacedMark[] => {
    const of = row === null ? undefined : rows.find(({ number }) => number === row)
    if (of === undefined) return []
    const [at, height] = [numberOf(of, x), numberOf(of, y)]
    if (at === null || height === null) return []
    return [
      {
        kind: 'point',
        xSymbol: x.symbol,
        ySymbol: y.symbol,
        x: [at],
        y: [height],
        low: null,
        label: 'marker',
        text: called(name),
      },
    ]
  })
}

/** What was noted at a row, or in a timed run from it on until the next one. */
export function markersAt(
  markers: readonly Marker[],
  rows: readonly Row[],
  index: number,
  time: Column | undefined,
): Marker[] {
  const number = rows[index]?.number
  const [from, to] = [rows[index], rows[index + 1]].map((row) =>
    row === undefined || time === undefined ? null : numberOf(row, time),
  )
  const factor = secondsIn(time?.unit ?? 's')
  return markers.filter(({ at, row }) =>
    at === null
      ? row === number
      : time !== undefined && from != null && at / factor >= from && (to == null || at / factor < to),
  )
}

/** They, in words. */
export function markersText(markers: readonly Marker[]): string {
  return markers.map(({ name }) => called(name)).join('; ')
}
