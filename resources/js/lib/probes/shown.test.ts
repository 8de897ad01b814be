import { describe, expect, it } from 'vitest'
import type { LiveProbe, Probe } from '../api/types'
import { shownOf, shownQuantity, shownRaw } from './shown'

const cell = { kind: 'conductivity-cell', unit: 'µS/cm', decimals: 0, rawUnit: 'µS', rawDecimals: 1 } as Probe
const live = { raw: 1330.2, value: 1413.4 } as LiveProbe

describe('what a probe shows', () => {
  it('shows the quantity, or the raw signal while it is calibrated', () => {
    expect(shownOf(cell, live, 'value')).toEqual({ text: '1413', unit: 'µS/cm' })
    expect(shownOf(cell, live, 'raw')).toEqual({ text: '1330.2', unit: 'µS' })
    expect(shownOf(cell, { ...live, value: null }, 'value')).toEqual({ text: '1330.2', unit: 'µS' })
  })

  it('shows nothing where nothing comes', () => {
    expect(shownOf(cell, null, 'value')).toBeNull()
    expect(shownOf(cell, { ...live, raw: null }, 'value')).toBeNull()
  })

  it('tells large conductivities in mS/cm', () => {
    expect(shownQuantity(cell, 12_880)).toEqual({ text: '12.88', unit: 'mS/cm' })
    expect(shownQuantity(cell, 9_999)).toEqual({ text: '9999', unit: 'µS/cm' })
  })

  it('gives millivolts their sign', () => {
    expect(shownRaw('mV', 1, 176.52)).toEqual({ text: '+176.5', unit: 'mV' })
    expect(shownRaw('V', 4, 2.05)).toEqual({ text: '2.0500', unit: 'V' })
  })
})
