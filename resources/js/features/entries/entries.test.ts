import { describe, expect, it } from 'vitest'
import type { Bench } from '../../lib/api/types'
import { probe } from '../../testing/examples'
import { entry, notebook } from '../../testing/notebook'
import { probeChoices } from './probeChoices'
import { missingEntries, typedWords } from './entries'

describe('the probes a column can be measured by', () => {
  const thermometer = probe({ id: 1, kind: 'thermometer', title: 'Bath', unit: '°C' })
  const hand = probe({ id: 2, kind: 'thermometer', title: 'Left hand', unit: '°C' })
  const pressure = probe({ id: 3, kind: 'pressure-sensor', title: 'Gas pressure', unit: 'kPa' })
  const bench = (id: number, name: string, probes: Bench['probes']): Bench => ({
    id,
    name,
    probes,
    isSimulated: true,
    address: null,
    isPutAway: false,
    recording: null,
    experiments: [],
    putAway: [],
  })
  const benches = [bench(7, 'Hazel', [thermometer, pressure]), bench(8, 'Rowan', [hand])]
  const hazel = { id: 7, name: 'Hazel' }

  it('are each kind once, and once more for the bench beside', () => {
    const words = (of: Parameters<typeof probeChoices>[1]) => probeChoices(benches, of).map((choice) => choice.words)
    expect(words({ bench: null, beside: null })).toEqual(['Left hand (°C)', 'Gas pressure (kPa)'])
    expect(words({ bench: hazel, beside: null })).toEqual(['Bath (°C)', 'Gas pressure (kPa)'])
    const both = probeChoices(benches, { bench: hazel, beside: { id: 8, name: 'Rowan' } })
    expect(both.map((choice) => choice.words)).toEqual(['Bath (°C)', 'Gas pressure (kPa)', 'Left hand (°C) at Rowan'])
    expect(both.map(({ isBeside }) => isBeside)).toEqual([false, false, true])
    expect(new Set(both.map(({ key }) => key)).size).toBe(3)
  })

  it('are each of its own where a probe is of no known kind', () => {
    const light = probe({ id: 4, kind: 'any-quantity', title: 'Light', unit: 'lx' })
    const humidity = probe({ id: 5, kind: 'any-quantity', title: 'Humidity', unit: '%' })
    const choices = probeChoices([bench(9, 'Cedar', [light, humidity])], { bench: null, beside: null })
    expect(choices.map((choice) => choice.words)).toEqual(['Light (lx)', 'Humidity (%)'])
    expect(choices.map(({ key }) => key)).toEqual(['any-quantity Light', 'any-quantity Humidity'])
  })
})

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
