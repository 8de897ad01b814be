import { describe, expect, it } from 'vitest'
import type { KeyFigure } from '../api/types'
import { figureText, figureWords } from './figureText'

function figure(label: string, shownValue: string, unit: string): KeyFigure {
  return {
    label,
    measured: { value: Number(shownValue), uncertainty: 0.1, unit, shownValue, shownUncertainty: '0.1' },
    goodFrom: null,
    goodTo: null,
    usableFrom: null,
    usableTo: null,
  }
}

describe('figureText', () => {
  it.each([
    ['of the ideal slope', '97.8', '%', '97.8 %'],
    ['cell constant', '1.061', '1/cm', 'K 1.061 1/cm'],
    ['for one N', '0.00533', 'V', '0.00533 V for one N'],
  ])('says of a figure %s what a card has room for', (label, shown, unit, words) => {
    expect(figureText(figure(label, shown, unit))).toBe(words)
  })

  it('says of what where there is room, and never twice', () => {
    expect(figureWords(figure('of the ideal slope', '97.8', '%'))).toBe('97.8 % of the ideal slope')
    expect(figureWords(figure('for one N', '0.00533', 'V'))).toBe('0.00533 V for one N')
  })
})
