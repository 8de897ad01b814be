// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { bench } from '../../testing/examples'
import { show } from '../../testing/show'
import { ForgottenRun } from './ForgottenRun'

beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-27T12:00:00Z'), toFake: ['Date'] })
})
afterEach(() => {
  vi.useRealTimers()
})

const recording = { runId: 7, experimentId: 3, title: 'Whey', runNumber: 2, unwatchedSince: '2026-11-27T09:30:00Z' }

describe('a run that nobody looks at', () => {
  it('is asked about, with the way to it and the way to end it', async () => {
    const { user } = show(<ForgottenRun bench={bench({ recording })} />)
    expect(screen.getByText(/records at bench/).textContent).toContain(
      'Run 2 of “Whey” records at bench Alder; somebody last looked at it 2 h ago.',
    )
    expect(screen.getByRole('link', { name: 'Look at it' }).getAttribute('href')).toBe('/experiments/3/record')
    await user.click(screen.getByRole('button', { name: 'Finish it' }))
    // Nothing listens here: that it could not be done is said at its place.
    expect(await screen.findByRole('alert')).toBeDefined()
  })

  it('is not asked about while it is watched, or where nothing records', () => {
    const { container } = show(
      <>
        <ForgottenRun bench={bench()} />
        <ForgottenRun bench={bench({ recording: { ...recording, unwatchedSince: null } })} />
      </>,
    )
    expect(container.textContent).toBe('')
  })
})
