import { describe, expect, it } from 'vitest'
import type { Act, Control } from '../../lib/api/types'
import { actTowards } from './actTowards'

const act = (name: string): Act => ({ act: name })

function control(change: Partial<Control>): Control {
  return { title: 'Burette', choices: [], number: null, isStep: true, ...change }
}

function numbered(reached: number | null): Control {
  const number = { label: 'Volume', unit: 'mL', value: 1, act: act('dispense'), field: 'volume', words: 'add', reached }
  return control({ number })
}

describe('the act that sets a bench to the next step', () => {
  it('does what is missing, where the bench counts what was done', () => {
    expect(actTowards([numbered(1.25)], 2)).toEqual({
      words: 'add up to 2.00 mL',
      act: { act: 'dispense', volume: 0.75 },
    })
    expect(actTowards([numbered(2)], 2)?.act).toBeNull()
    expect(actTowards([numbered(3)], 2)?.act).toBeNull()
  })

  it('sets it outright, where it does not', () => {
    expect(actTowards([numbered(null)], 0.4)).toEqual({ words: 'add 0.40 mL', act: { act: 'dispense', volume: 0.4 } })
  })

  it('chooses words, unless they are chosen already', () => {
    const baths = control({
      choices: [
        { words: 'room', act: act('a'), isOn: true },
        { words: 'hot bath', act: act('b'), isOn: false },
      ],
    })
    expect(actTowards([baths], 'hot bath')).toEqual({ words: 'into hot bath', act: act('b') })
    expect(actTowards([baths], 'room')?.act).toBeNull()
    expect(actTowards([baths], 'moon')).toBeNull()
  })

  it('is none without a next step, or at a bench that has none for it', () => {
    expect(actTowards([numbered(0)], null)).toBeNull()
    expect(actTowards([{ ...numbered(0), isStep: false }], 2)).toBeNull()
    expect(actTowards([], 2)).toBeNull()
  })
})
