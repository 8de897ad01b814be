// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { live, probe } from '../../testing/examples'
import { show } from '../../testing/show'
import { ProbeFacts } from './ProbeFacts'
import { PutAway } from './PutAway'

beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-26T10:00:00Z'), toFake: ['Date'] })
})
afterEach(() => {
  vi.useRealTimers()
})

describe('the facts of a probe', () => {
  it('say that it is ready, or what a run would say of it, never both', () => {
    const { rerender } = show(<ProbeFacts probe={probe()} live={live()} />)
    expect(screen.getByText('Ready to record with.')).toBeDefined()

    rerender(
      <ProbeFacts
        probe={probe({ isReady: false, trustSentence: 'pH electrode: calibration 12 days old.' })}
        live={live()}
      />,
    )
    expect(screen.queryByText('Ready to record with.')).toBeNull()
    expect(screen.getByText('pH electrode: calibration 12 days old.').parentElement?.textContent).toContain(
      'A run recorded now will say so.',
    )
  })

  it('ask for its plug where it is out, and call it ready on no account', () => {
    show(
      <ProbeFacts
        probe={probe({ isPresent: false, isReady: false })}
        live={live({ state: 'unplugged', raw: null, value: null })}
      />,
    )
    expect(screen.getByText('Plug it in to read it or to calibrate it.')).toBeDefined()
    expect(screen.queryByText('Ready to record with.')).toBeNull()
  })

  it('say where it came from, and of the body that it is no medicine', () => {
    const { rerender } = show(<ProbeFacts probe={probe({ movedFrom: 'Birch' })} live={live()} />)
    expect(screen.getByText('Alder, came from Birch')).toBeDefined()
    expect(screen.queryByText('For teaching, not for diagnosis.')).toBeNull()
    rerender(<ProbeFacts probe={probe({ kind: 'ecg-lead', isAlive: true })} live={live()} />)
    expect(screen.getByText('For teaching, not for diagnosis.')).toBeDefined()
  })
})

describe('putting a probe away', () => {
  it('is offered only while its plug is out, and taken back where it was done', () => {
    const { rerender } = show(<PutAway probe={probe()} />)
    expect(screen.queryByRole('button')).toBeNull()
    rerender(<PutAway probe={probe({ isPresent: false })} />)
    expect(screen.getByRole('button', { name: 'Put it away' })).toBeDefined()
    rerender(<PutAway probe={probe({ isPresent: false, isPutAway: true })} />)
    expect(screen.getByRole('button', { name: 'Bring it back to the list' })).toBeDefined()
  })
})
