import { describe, expect, it } from 'vitest'
import { column, row } from '../../testing/notebook'
import { markerMarks, markersAt, markersText, pinnedMarks } from './markers'

const time = column('t', { unit: 'min', kind: 'time' })
const [V, pH] = [column('V', { kind: 'typed' }), column('pH')]
const rows = [row(1, null, { t: 0, V: 1, pH: 3 }), row(2, null, { t: 1, V: 2, pH: 4 }), row(3, null, { t: 2, pH: 5 })]
const moment = (at: number, name: string) => ({ id: at, at, row: null, name })
const pinned = (at: number, name: string) => ({ id: at, at: null, row: at, name })

describe('markers', () => {
  it('of a timed run stand across the figure, in the unit of its time', () => {
    const marks = markerMarks([moment(90, 'stirred'), moment(6, ''), pinned(1, 'bubble')], time)
    expect(marks.map(({ kind, x, text }) => [kind, x[0], text])).toEqual([
      ['vertical', 1.5, 'stirred'],
      ['vertical', 0.1, 'marker'],
    ])
  })

  it('at rows stand at their points, where there is one', () => {
    const marks = pinnedMarks([pinned(2, 'bubble'), pinned(3, 'no V'), pinned(9, 'gone'), moment(1, 'a')], rows, V, pH)
    expect(marks.map(({ kind, x, y, text }) => [kind, x[0], y[0], text])).toEqual([['point', 2, 4, 'bubble']])
  })

  it('are told at their row, or from it on until the next one', () => {
    const all = [moment(0, 'begun'), moment(59, 'stirred'), moment(60, ''), moment(300, 'late'), pinned(2, 'bubble')]
    const at = (index: number) => markersText(markersAt(all, rows, index, time))
    expect([at(0), at(1), at(2), at(3)]).toEqual(['begun; stirred', 'marker; bubble', 'late', ''])
    expect(markersText(markersAt(all, rows, 1, undefined))).toBe('bubble')
  })
})
