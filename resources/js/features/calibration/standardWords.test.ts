import { describe, expect, it } from 'vitest'
import type { Standard, StandardRow } from '../../lib/api/types'
import { choiceOf, standardName, standardValue, uncertaintyBeside, withTyped } from './standardWords'

const row = (more: Partial<StandardRow>): StandardRow => ({
  source: 'typed',
  code: '',
  label: 'warm water',
  value: 50,
  uncertainty: 0.1,
  unit: '°C',
  shelfId: null,
  ...more,
})

describe('words for standards', () => {
  it('names buffers by their pH and everything else by its label', () => {
    expect(standardName({ label: '7.00', unit: 'pH' })).toBe('pH 7.00')
    expect(standardName({ label: 'buffer 7.00', unit: 'pH' })).toBe('buffer 7.00')
    expect(standardName({ label: 'melting ice', unit: '°C' })).toBe('melting ice')
  })

  it('tells values with the digits a standard has', () => {
    expect(standardValue(7.012, 'pH')).toBe('7.01')
    expect(standardValue(1413, 'µS/cm')).toBe('1413 µS/cm')
    expect(standardValue(12_880, 'µS/cm')).toBe('12.88 mS/cm')
    expect(standardValue(99.743, '°C')).toBe('99.7 °C')
    expect(uncertaintyBeside(12_880, 64.4, 'µS/cm')).toBe('0.064')
    expect(uncertaintyBeside(7, 0.01, 'pH')).toBe('0.01')
    expect(standardValue(10_000, 'µS/cm')).toBe('10.00 mS/cm')
    expect(standardValue(9_999, 'µS/cm')).toBe('9999 µS/cm')
    expect([standardValue(146.93, 'µS/cm'), standardValue(500, 'µS/cm')]).toEqual(['146.9 µS/cm', '500 µS/cm'])
    expect([standardValue(101.325, 'kPa'), standardValue(19.6133, 'N'), standardValue(1, 'V')]).toEqual([
      '101.3 kPa',
      '19.61 N',
      '1.00 V',
    ])
    expect(uncertaintyBeside(1413, 14.13, 'µS/cm')).toBe('14')
    expect(uncertaintyBeside(12_000, 250, 'Pa')).toBe('250')
  })

  it('asks for a typed standard by its own words and value', () => {
    expect(choiceOf(row({}))).toMatchObject({ source: 'typed', label: 'warm water', value: 50, isExample: false })
    expect(choiceOf(row({ label: '9.20', unit: 'pH', value: 9.2 })).label).toBe('')
    expect(choiceOf(row({ shelfId: 4 }))).toEqual({ shelfId: 4 })
  })

  it('changes the value of one standard alone', () => {
    const standards = [row({}), row({ label: 'melting ice', source: 'ice', value: 0 })].map(
      (one, position) => ({ ...one, position }) as Standard,
    )
    expect(withTyped(standards, 0, 48.6).map(({ value }) => value)).toEqual([48.6, 0])
    const examples = standards.map((one) => ({ ...one, isExample: true }))
    expect(withTyped(examples, 0, 50).map(({ isExample }) => isExample)).toEqual([false, true])
  })
})
