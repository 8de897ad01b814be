import { describe, expect, it } from 'vitest'
import { BATH, column, PH, row, VOLUME } from '../../testing/notebook'
import {
  axisName,
  capital,
  cellText,
  columnHead,
  lowerFirst,
  numberOf,
  readingsName,
  stepText,
  stepWords,
  unitBehind,
  unitText,
} from './labels'

describe('what is written at columns and numbers', () => {
  it('begins a sentence large, and leaves a symbol as it is', () => {
    expect(['rate of it', 'pH of it', 'ln of it', 'ln(c)', 'lnk', 'r / s'].map(capital)).toEqual([
      'Rate of it',
      'pH of it',
      'ln of it',
      'ln(c)',
      'Lnk',
      'r / s',
    ])
  })

  it('raises powers and leaves out a unit that the symbol says already', () => {
    expect(unitText('pH/mL^2')).toBe('pH/mL²')
    expect(unitText('mol^-1')).toBe('mol⁻¹')
    expect(unitBehind('pH', 'pH')).toBe('')
    expect(columnHead(PH)).toBe('pH')
    expect(columnHead(VOLUME)).toBe('V / mL')
    expect(columnHead(column('v', { unit: 'm/s^2' }))).toBe('v / (m/s²)')
  })

  it('names an axis by what it is, its symbol and its unit', () => {
    expect(axisName(VOLUME)).toBe('volume of NaOH added V / mL')
    expect(axisName(PH)).toBe('pH')
    const inverse = { ...VOLUME, symbol: 'inv_q', unit: 'min/L' }
    expect(axisName({ ...inverse, shownName: '1/q' })).toBe('1/q / (min/L)')
    expect(axisName({ ...inverse, shownName: 'ln T', unit: '' })).toBe('ln T')
    expect(axisName({ ...inverse, shownName: 'T²' })).toBe('T² / (min/L)')
    expect(lowerFirst('PV as it is')).toBe('PV as it is')
  })

  it('shows a step by the decimals of its column, words as they are, and none as a dash', () => {
    expect(stepText(0.5, VOLUME)).toBe('0.50')
    expect(stepWords(0.5, VOLUME)).toBe('0.50 mL')
    expect(stepText(1.25, undefined)).toBe('1.25')
    expect(stepWords('cold bath', BATH)).toBe('cold bath')
    expect(stepText(null, VOLUME)).toBe('—')
  })

  it('shows a cell as its ± allows, or with the decimals that are chosen, and a blank as a dash', () => {
    const one = row(1, 0.5, { pH: -2.345 })
    expect(cellText(one, PH)).toBe('−2.35')
    expect(cellText(one, { ...PH, decimals: 1 })).toBe('−2.3')
    expect(cellText(one, column('T'))).toBe('—')
    expect(cellText(one, VOLUME)).toBe('0.50')
  })

  it('names readings by what they were set to, rows by their number, and several by how many', () => {
    expect(readingsName([row(1, 0.5)], [VOLUME, PH])).toBe('the reading at 0.50 mL')
    expect(readingsName([row(4, null)], [column('x')])).toBe('row 4')
    expect(readingsName([row(1, 0.5), row(2, 1)], [VOLUME])).toBe('2 readings')
  })

  it('takes as a number only what is one', () => {
    expect(numberOf(row(1, 'hot bath'), BATH)).toBeNull()
    expect(numberOf(row(1, 0.5), VOLUME)).toBe(0.5)
    expect(numberOf(row(1, 0.5, { pH: 4 }), PH)).toBe(4)
    expect(numberOf(row(1, 0.5), PH)).toBeNull()
  })
})
