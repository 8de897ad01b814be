// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { bench, experiment, kept, live, probe, reading, run } from '../../testing/examples'
import { show } from '../../testing/show'
import { PlanDialog } from './PlanDialog'
import { ReadingsTable } from './ReadingsTable'
import { RunCard } from './RunCard'
import { StartCard } from './StartCard'
import { TakeStep } from './TakeStep'

beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-26T10:00:00Z'), toFake: ['Date'] })
})
afterEach(() => {
  vi.useRealTimers()
})

describe('the next reading', () => {
  function step(change = {}, now = live(), planned = 0.5) {
    return show(<TakeStep experiment={experiment()} run={run(change)} bench={bench()} live={now} planned={planned} />)
  }

  it('shows its volume big, the drift in pH, and one button', () => {
    step()
    expect(screen.getByTestId('next-volume').textContent).toBe('0.50 mL')
    expect(screen.getByText('Burette at')).toBeDefined()
    expect(screen.getByText('steady').parentElement?.textContent).toBe('steady for 12 s · 0.00 pH/min')
    expect(screen.getByRole('button', { name: /^Take reading/ })).toBeDefined()
    expect(screen.queryByRole('button', { name: /^retake/ })).toBeNull()
  })

  it('tells the drift in mV where there is no pH yet', () => {
    step({}, live({ value: null, valueDriftPerMinute: null, state: 'settling', secondsMore: 6 }))
    expect(screen.getByText('settling').parentElement?.textContent).toBe('settling · about 6 s more · +0.10 mV/min')
  })

  it('can repeat the last one, and stop at a volume that was not planned', async () => {
    const { user } = step({ readings: [reading(1, 0, 2.6)] })
    expect(screen.getByText('Add titrant to')).toBeDefined()
    expect(screen.getByRole('button', { name: 'retake 0.00 mL' })).toBeDefined()
    await user.click(screen.getByRole('button', { name: 'other volume' }))
    const field = screen.getByLabelText('The burette stands at')
    await user.clear(field)
    await user.type(field, '0,72{Enter}')
    expect(screen.getByTestId('next-volume').textContent).toBe('0.72 mL')
    await user.click(screen.getByRole('button', { name: 'other volume' }))
    expect(screen.getByTestId('next-volume').textContent).toBe('0.50 mL')
  })

  it('asks for its electrode by name where that was carried away', () => {
    step({ electrode: { probeId: 1, title: 'pH electrode', serial: 'Alder-1', bench: { id: 2, name: 'Birch' } } })
    expect(screen.getByRole('alert').textContent).toBe(
      'At bench Birch now. Bring pH electrode Alder-1 back to bench Alder to go on.',
    )
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /^Take reading/ }).disabled).toBe(true)
  })

  it('waits for the plug of its electrode', () => {
    step({}, live({ state: 'unplugged', raw: null, value: null }))
    expect(screen.getByRole('alert').textContent).toContain('Unplugged.')
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /^Take reading/ }).disabled).toBe(true)
  })

  it('advises smaller steps in time', () => {
    step({ advice: { title: 'Slow down.', sentence: 'The pH rises.', from: 9, to: 12, step: 0.1 } })
    expect(screen.getByRole('button', { name: 'Use 0.10 mL steps to 12.00 mL' })).toBeDefined()
  })
})

describe('a run', () => {
  const card = (change = {}) => (
    <RunCard experiment={experiment()} run={run(change)} bench={bench()} live={live()} onNewRun={vi.fn()} />
  )

  it('reads from top to bottom: calibration, sample, the next volume, what comes', () => {
    show(card())
    const steps = screen.getAllByRole('listitem')
    expect(steps[0]?.textContent).toContain('Electrode calibrated5 days ago · 97.8 % of the ideal slope')
    expect(steps[1]?.textContent).toContain('25.00 mL whey, 0.1000 mol/L NaOH')
    expect(steps[2]?.getAttribute('aria-current')).toBe('step')
    expect(screen.getByText('2 more after this one')).toBeDefined()
    expect(screen.getByRole('button', { name: /^Finish the run/ })).toBeDefined()
  })

  it('says whatever must be said of its calibration', () => {
    const { rerender } = show(card({ calibration: null }))
    expect(screen.getByText('Electrode not calibrated')).toBeDefined()
    expect(screen.getByText('This run shows the pH of an ideal electrode.')).toBeDefined()
    rerender(card({ trustSentences: ['pH electrode: calibration 12 days old.'], isWorkedOutAgain: true }))
    expect(screen.getByText('pH electrode: calibration 12 days old.')).toBeDefined()
    expect(screen.getByText(/, worked out again$/)).toBeDefined()
  })

  it('wants to be finished once all steps are taken', () => {
    show(card({ remaining: [], readings: [reading(1, 0, 2.6)] }))
    expect(screen.queryByRole('button', { name: /^Take reading/ })).toBeNull()
    expect(screen.getByText('All steps are taken')).toBeDefined()
    expect(screen.getByRole('button', { name: /^Finish the run/ }).className).toContain('btn-primary')
  })

  it('that is finished leads on, and can go on', () => {
    show(card({ state: 'finished', remaining: [], readings: [reading(1, 0, 2.6), reading(2, 0.5, 2.7)] }))
    expect(screen.getByText('Finished with 2 readings')).toBeDefined()
    expect(screen.getByRole('link', { name: 'Go to Reason' }).getAttribute('href')).toBe('/experiments/1/reason?run=4')
    expect(screen.getByRole('button', { name: 'Go on with this run' })).toBeDefined()
  })
})

describe('before a run', () => {
  it('all is said that its sheet would say, with the way to put it right', () => {
    const doubtful = probe({ isReady: false, trust: 'old', trustSentence: 'pH electrode: calibration 12 days old.' })
    const { rerender } = show(<StartCard experiment={experiment()} probes={[probe()]} onStarted={vi.fn()} />)
    expect(screen.getByRole('button', { name: /^Start run 1/ }).textContent).not.toContain('all the same')

    rerender(<StartCard experiment={experiment()} probes={[doubtful]} onStarted={vi.fn()} />)
    expect(screen.getByText('pH electrode: calibration 12 days old.')).toBeDefined()
    expect(screen.getByRole('link', { name: 'calibrate first' })).toBeDefined()
    expect(screen.getByRole('button', { name: /^Start run 1 all the same/ })).toBeDefined()

    rerender(
      <StartCard
        experiment={experiment()}
        probes={[probe({ isPresent: false, isReady: false })]}
        onStarted={vi.fn()}
      />,
    )
    expect(screen.getByText('pH electrode is unplugged.')).toBeDefined()
  })

  it('earlier runs can be looked at', () => {
    const runs = [{ ...run({ id: 7, number: 1, state: 'finished', readingCount: 31 }) }]
    show(<StartCard experiment={experiment({ runs })} probes={[probe()]} onStarted={vi.fn()} />)
    expect(screen.getByText(/31 readings/)).toBeDefined()
    expect(screen.getByRole('link', { name: 'Run 1' }).getAttribute('href')).toContain('?run=7')
    expect(screen.getByRole('button', { name: /^Start run 2/ })).toBeDefined()
  })
})

describe('the readings of a run', () => {
  it('stand newest first, with what was unusual about them', () => {
    const readings = [
      reading(1, 0, 2.6),
      reading(2, 0.5, 2.72, { wasSteady: false }),
      reading(3, 1, 9.9, { setAsideReason: 'touched the glass', ph: null, celsius: null }),
    ]
    show(<ReadingsTable experiment={experiment()} run={run({ readings })} />)
    const rows = within(screen.getByRole('region', { name: 'Readings' }))
      .getAllByRole('row')
      .slice(1)
    expect(rows.map((row) => row.textContent)).toEqual(['1.00——delete', '0.50~2.7221.4delete', '0.002.6021.4delete'])
    expect(rows[0]?.className).toContain('line-through')
    expect(screen.getByTitle('taken before it was steady').textContent).toBe('~2.72')
    expect(screen.getByRole('button', { name: 'Delete the reading at 0.50 mL' })).toBeDefined()
  })

  it('say what will stand there while there are none', () => {
    show(<ReadingsTable experiment={experiment()} run={null} />)
    expect(screen.getByText(/^Each reading becomes a row here/)).toBeDefined()
  })
})

describe('the volumes of a run', () => {
  it('are ranges that can be changed, added and removed, and are used only when asked for', async () => {
    const [onKeep, onClose] = [vi.fn(), vi.fn()]
    const plan = [{ from: 0, to: 10, step: 1 }]
    const { user } = show(<PlanDialog plan={plan} problem={null} onKeep={onKeep} onClose={onClose} />)
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'remove' }).disabled).toBe(true)
    await user.click(screen.getByRole('button', { name: '+ one more range' }))
    const [, step] = screen.getAllByLabelText('Step')
    if (step === undefined) throw new Error('The new range has its own step.')
    await user.clear(step)
    await user.type(step, '0,25{Enter}')
    await user.click(screen.getByRole('button', { name: 'Cancel' }))
    expect(onKeep).not.toHaveBeenCalled()
    await user.click(screen.getByRole('button', { name: 'Use these steps' }))
    expect(onKeep).toHaveBeenCalledExactlyOnceWith([plan[0], { from: 11, to: 15, step: 0.25 }])
    const [first] = screen.getAllByRole('button', { name: 'remove' })
    if (first !== undefined) await user.click(first)
    await user.click(screen.getByRole('button', { name: 'Use these steps' }))
    expect(onKeep).toHaveBeenLastCalledWith([{ from: 11, to: 15, step: 0.25 }])
    expect(plan).toEqual([{ from: 0, to: 10, step: 1 }])
  })
})

it('a calibration without a date is none', () => {
  show(
    <RunCard
      experiment={experiment()}
      run={run({ calibration: kept({ keptAt: null }) })}
      bench={bench()}
      live={null}
      onNewRun={vi.fn()}
    />,
  )
  expect(screen.getByText('This run shows the pH of an ideal electrode.')).toBeDefined()
})
