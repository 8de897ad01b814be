import type { Column, Marker } from '../api/types'
import type { PlacedMark } from '../figure/drawn'
import { secondsIn } from './words'

/** The markers of a run as rules across a figure against time. */
export function markerMarks(markers: readonly Marker[], time: Column): PlacedMark[] {
  return markers.map(({ at, name }) => ({
    kind: 'vertical',
    xSymbol: time.symbol,
    ySymbol: '',
    x: [at / secondsIn(time.unit)],
    y: [],
    low: null,
    label: 'marker',
    text: name === '' ? 'marker' : name,
  }))
}
