// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { figure, kept, live, probe } from '../../testing/examples'
import type { Bench, LiveBench } from '../../lib/api/types'
import { show } from '../../testing/show'
import { BenchNotes } from './BenchNotes'
import { ProbeValue } from './ProbeCard'
import { ProbeShelf } from './ProbeShelf'
import { StateWord } from './StateWord'
import { TrustText } from './TrustText'

beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-26T10:00:00Z'), toFake: ['Date'] })
})
afterEach(() => {
  vi.useRealTimers()
})

describe('whether a number may be read', () => {
  it.each([
    ['no signal', null, false],
    ['no signal', live({ state: 'silent' }), false],
    ['unplugged', live({ state: 'unplugged', raw: null }), true],
    ['live', live({ state: 'settling' }), true],
    ['steady', live(), false],
    ['settling', live({ state: 'settling' }), false],
    ['settling · about 8 s', live({ state: 'settling', secondsMore: 8.4 }), false],
    ['settling · about 1 s', live({ state: 'settling', secondsMore: 0.1 }), false],
    ['settling', live({ state: 'settling', secondsMore: 240 }), false],
  ])('%s', (words, now, isAlive) => {
    const { container } = show(<StateWord live={now} isAlive={isAlive} />)
    expect(container.textContent).toBe(words)
  })
})

describe('what must be known of a bench', () => {
  const now = (notes: LiveBench['notes']): LiveBench => ({
    benchId: 1,
    isConnected: true,
    madeAtMs: null,
    time: 1,
    revision: 'a',
    probes: [],
    timedRuns: [],
    notes,
  })
  const danger = { code: 'samples-in-danger', tone: 'red', sentence: 'In memory alone.' } as const
  const aside = { code: 'device-aside', tone: 'amber', sentence: 'Set aside.' } as const

  it('is said with the name of the bench, loudly only what is in danger', () => {
    show(<BenchNotes benchName="Alder" live={now([danger, aside])} />)
    expect(screen.getByRole('alert').textContent).toBe('Bench Alder. In memory alone.')
    expect(screen.getByText('Set aside.').closest('[role=status]')?.textContent).toBe('Bench Alder. Set aside.')
  })

  it('is nothing while all is well', () => {
    const { container } = show(<BenchNotes benchName="Alder" live={now([])} />)
    expect(container.textContent).toBe('')
    expect(show(<BenchNotes benchName="Alder" live={null} />).container.textContent).toBe('')
  })

  it('says of a device that was set aside not to look at its switch', () => {
    const bench = { name: 'Alder', probes: [] } as unknown as Bench
    const lost = { ...now([aside]), isConnected: false }
    const { container } = show(<ProbeShelf bench={bench} live={lost} shows="value" selectedProbeIds={[]} />)
    expect(container.textContent).toBe('Bench Alder is not connected. What was recorded is kept.')
    const silent = { ...lost, notes: [{ ...aside, code: 'device-silent' as const }] }
    expect(
      show(<ProbeShelf bench={bench} live={silent} shows="value" selectedProbeIds={[]} />).container.textContent,
    ).toBe('Bench Alder is not connected. What was recorded is kept.')
    const off = { ...lost, notes: [] }
    expect(
      show(<ProbeShelf bench={bench} live={off} shows="value" selectedProbeIds={[]} />).container.textContent,
    ).toContain('Check that it is switched on')
  })
})

describe('what a probe shows', () => {
  it.each([
    ['6.20pH', probe(), live(), 'value'],
    ['+46.4mV', probe(), live(), 'raw'],
    ['+46.4mV', probe(), live({ value: null }), 'value'],
    ['12.88mS/cm', probe({ kind: 'conductivity-cell', unit: 'µS/cm', decimals: 0 }), live({ value: 12_880 }), 'value'],
    ['—', probe(), live({ raw: null, value: null }), 'value'],
    ['—', probe(), null, 'value'],
  ] as const)('%s', (text, which, now, shows) => {
    const { container } = show(<ProbeValue probe={which} live={now} shows={shows} />)
    expect(container.textContent).toBe(text)
  })
})

describe('how far a probe can be trusted', () => {
  it.each([
    ['97.8 % · 5 days ago', probe()],
    ['97.8 % · today 09:15', probe({ calibration: kept({ keptAt: '2026-11-26T09:15:00Z' }) })],
    [
      'old · 97.8 % · 12 days ago',
      probe({ trust: 'old', isReady: false, calibration: kept({ keptAt: '2026-11-14T09:15:00Z' }) }),
    ],
    [
      'fair · 91.0 % · 5 days ago',
      probe({ trust: 'fair', isReady: false, calibration: kept({ keyFigures: [figure(91)] }) }),
    ],
    ['never calibrated', probe({ trust: 'missing', isReady: false, calibration: null })],
    ['factory line', probe({ trust: 'factory', calibration: null })],
    ['factory line', probe({ trust: 'missing', isReady: false, calibration: kept({ origin: 'factory' }) })],
    ['K 1.1 1/cm · 5 days ago', probe({ calibration: kept({ keyFigures: [figure(1.06, 'cell constant', '1/cm')] }) })],
  ])('%s', (words, which) => {
    const { container } = show(<TrustText probe={which} />)
    expect(container.textContent).toBe(words)
    expect(container.querySelector('.amber') === null).toBe(which.isReady)
  })
})
