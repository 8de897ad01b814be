import { describe, expect, it } from 'vitest'
import { entry, notebook } from '../../testing/notebook'
import { missingEntries, typedWords } from './entries'

describe('the typed values of a notebook', () => {
  it('are told in a few words, with how many are missing', () => {
    const entries = [
      entry('s', { isWords: true, text: 'whey' }),
      entry('c', { unit: 'mol/L', value: 0.1 }),
      entry('V0', { unit: 'mL' }),
      entry('m', { isPerRun: true }),
    ]
    expect(missingEntries(notebook({ entries })).map(({ symbol }) => symbol)).toEqual(['V0'])
    expect(typedWords(notebook({ entries }))).toBe('whey, c 0.1 mol/L; 1 still to type')
    expect(typedWords(notebook({ entries: [] }))).toBe('')
    expect(typedWords(notebook({ entries: [entry('V0')] }))).toBe('1 still to type')
  })
})
