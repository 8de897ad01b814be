import { describe, expect, it } from 'vitest'
import type { Experiment } from '../../lib/api/types'
import { testWorking } from '../../testing/working'
import { captionOf } from './caption'

const EXPERIMENT: Experiment = {
  id: 1,
  title: 'Whey',
  protocol: 'titration',
  aim: null,
  conclusion: null,
  titrant: 'NaOH',
  sample: 'whey',
  analyte: 'lactic acid',
  bench: { id: 1, name: 'Alder' },
  entries: [
    { symbol: 'c', name: 'Concentration', value: 0.1, uncertainty: 0.0002, unit: 'mol/L' },
    { symbol: 'V0', name: 'Volume', value: 25, uncertainty: 0.03, unit: 'mL' },
  ],
  plan: [{ from: 0, to: 20, step: 1 }],
  span: null,
  stages: { prepare: true, record: true, reason: true, report: false },
  runs: [],
  updatedAt: '2026-11-23T10:00:00Z',
}

describe('captionOf', () => {
  it('names what was titrated with what, and what was set aside and why', () => {
    expect(captionOf(EXPERIMENT, testWorking())).toBe(
      'Figure 1. pH (points) and derivative (lower panel) against volume of 0.1000 mol/L NaOH added to 25.00 mL whey; ' +
        'run 2, 4 readings, 1 set aside (hollow, 11.00 mL: touched the glass).',
    )
  })

  it('leaves out what was not typed and tells readings taken in a hurry', () => {
    const [first] = testWorking().readings
    if (first === undefined) throw new Error('The test data are empty.')
    const caption = captionOf(
      { ...EXPERIMENT, entries: [] },
      testWorking({ readings: [{ ...first, wasSteady: false }] }),
    )
    expect(caption).toContain('against volume of NaOH added to whey;')
    expect(caption).toContain(', 1 taken before steady.')
  })

  it('says what is to be said of the calibration', () => {
    const caption = captionOf(EXPERIMENT, testWorking({ trustSentences: ['pH electrode: ageing electrode.'] }))
    expect(caption).toMatch(/touched the glass\)\. pH electrode: ageing electrode\.$/)
  })
})
