import { describe, expect, it } from 'vitest'
import { experiment } from '../../testing/examples'
import { testWorking } from '../../testing/working'
import { captionOf } from './caption'

const EXPERIMENT = experiment()

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
