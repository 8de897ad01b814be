import { describe, expect, it } from 'vitest'
import type { Bench, Protocol } from '../../lib/api/types'
import { probe } from '../../testing/examples'
import { benchesFor, shelves } from './library'

function protocol(title: string, change: Partial<Protocol> = {}): Protocol {
  return {
    key: title.toLowerCase(),
    isOwn: false,
    title,
    question: '',
    finds: 'amount',
    sentence: '',
    picture: 'page',
    minutes: 0,
    level: '',
    roles: [],
    ...change,
  }
}

const bench = (name: string, kinds: [Bench['probes'][number]['kind'], boolean][]): Bench =>
  ({ name, probes: kinds.map(([kind, isPresent]) => probe({ kind, isPresent })) }) as unknown as Bench

describe('the library of protocols', () => {
  it('is divided by what is found out, own ones first', () => {
    const all = [protocol('Gas', { finds: 'gas' }), protocol('Acid'), protocol('Mine', { isOwn: true, finds: 'gas' })]
    expect(shelves(all, '').map(({ title, protocols }) => [title, protocols.map((one) => one.title)])).toEqual([
      ['Your own', ['Mine']],
      ['How much is in it?', ['Acid']],
      ['How does a gas behave?', ['Gas']],
    ])
  })

  it('is searched in titles, sentences and probes, however it is written', () => {
    const roles = [{ kind: 'ph-electrode' as const, name: 'pH electrode', isNeeded: true }]
    const all = [protocol('Acid', { roles }), protocol('Gas', { sentence: 'Press it together.' })]
    expect(shelves(all, ' PRESS ').flatMap(({ protocols }) => protocols.map(({ title }) => title))).toEqual(['Gas'])
    expect(shelves(all, 'electrode')).toHaveLength(1)
    expect(shelves(all, 'nothing')).toEqual([])
  })

  it('knows which bench can do it now: two thermometers need two', () => {
    const two = protocol('Two', {
      roles: [
        { kind: 'thermometer', name: 'First', isNeeded: true },
        { kind: 'thermometer', name: 'Second', isNeeded: true },
        { kind: 'ph-electrode', name: 'If there is one', isNeeded: false },
      ],
    })
    const benches = [
      bench('one', [['thermometer', true]]),
      bench('pulled', [
        ['thermometer', true],
        ['thermometer', false],
      ]),
      bench('both', [
        ['thermometer', true],
        ['thermometer', true],
      ]),
    ]
    expect(benchesFor(two, benches).map(({ name }) => name)).toEqual(['both'])
    expect(benchesFor(protocol('Blank'), benches)).toHaveLength(3)
  })
})
