import { describe, expect, it } from 'vitest'
import { column, row, runRows } from '../../testing/notebook'
import type { LiveProbe } from '../api/types'
import { movedWords } from './constancy'

const temperature = column('T', {
  name: 'Temperature',
  shownName: 'Temperature',
  unit: '°C',
  kind: 'measured',
  decimals: 1,
})

function live(value: number | null, secondsMore: number | null): LiveProbe {
  return { id: 1, raw: 7, value, state: 'settling', rawDriftPerMinute: 0, valueDriftPerMinute: 0, isMoving: false, rawScatter: 0, steadyForS: 0, secondsMore, recent: [] } // prettier-ignore
}

describe('what should stay the same', () => {
  const first = row(1, 50, { T: 21.2 })
  const run = runRows(1, [first, row(2, 45, { T: 40 })])

  it('is spoken of once it stands too far from the first reading', () => {
    expect(movedWords(temperature, 0.5, run, live(23, 19.6))).toBe(
      'Temperature stands 1.8 °C above the first reading: wait about 20 s.',
    )
    expect(movedWords(temperature, 0.5, run, live(20, 400))).toBe(
      'Temperature stands 1.2 °C below the first reading: wait until it has come back.',
    )
    expect(movedWords(temperature, 0.5, run, live(20, 0.2))).toContain('about 1 s')
    expect(movedWords({ ...temperature, isRaw: true }, 0.5, run, live(21.2, null))).toContain('14.2 °C below')
  })

  it('is not while it does, before the first reading, or without a value', () => {
    expect(movedWords(temperature, 0.5, run, live(21.6, 5))).toBeNull()
    expect(movedWords(temperature, 0.5, run, live(null, 5))).toBeNull()
    expect(movedWords(temperature, 0.5, run, null)).toBeNull()
    expect(movedWords(temperature, 0.5, runRows(1, []), live(40, 5))).toBeNull()
  })
})
