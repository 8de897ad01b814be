// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { Problem } from '../../lib/api/problem'
import { calibration, live, readIn, standard } from '../../testing/examples'
import { show } from '../../testing/show'
import { Faults } from './Faults'
import { StandardStep } from './StandardStep'
import { SteadyText } from './SteadyText'
import { TakeProblem } from './TakeProblem'

describe('whether a signal has come to rest', () => {
  it.each([
    ['Waiting for the probe …', null],
    ['Waiting for the probe …', live({ state: 'silent' })],
    ['Unplugged. Plug it in again; what was read is kept.', live({ state: 'unplugged' })],
    ['steady for 12 s · +0.10 mV/min', live()],
    ['steady for over a minute · +0.10 mV/min', live({ steadyForS: 200 })],
    ['settling · +0.10 mV/min', live({ state: 'settling' })],
    ['settling · about 8 s more · +0.10 mV/min', live({ state: 'settling', secondsMore: 7.7 })],
    ['settling · about 1 s more · +0.10 mV/min', live({ state: 'settling', secondsMore: 0.02 })],
  ])('%s', (words, now) => {
    const { container } = show(<SteadyText live={now} unit="mV" decimals={2} drift={0.1} />)
    expect(container.textContent).toBe(words)
  })
})

describe('a standard in its turn', () => {
  function step(change: Parameters<typeof standard>[2], more: Partial<Parameters<typeof StandardStep>[0]> = {}) {
    const [onRetake, onType] = [vi.fn(), vi.fn()]
    const shown = show(
      <ol>
        <StandardStep
          standard={standard(1, '4.01', change)}
          rawUnit="mV"
          rawDecimals={1}
          isNext
          canChange
          onRetake={onRetake}
          onType={onType}
          {...more}
        >
          <button type="button">Accept reading</button>
        </StandardStep>
      </ol>,
    )
    return { onRetake, onType, ...shown }
  }

  it('says what hands do while it is next, and waits quietly before', () => {
    const { container, unmount } = step({})
    expect(container.textContent).toBe('2Rinse, blot, then dip inpH 4.01Accept reading')
    expect(screen.getByRole('listitem').getAttribute('aria-current')).toBe('step')
    unmount()
    step({}, { isNext: false })
    expect(screen.queryByRole('button')).toBeNull()
    expect(screen.getByText('pH 4.01')).toBeDefined()
  })

  it('shows what was read, at which temperature, how calm, and lets it be retaken', async () => {
    const { user, container, onRetake } = step({ reading: readIn(4.003, 174.62) })
    expect(container.textContent).toContain('pH 4.01+174.6 mV')
    expect(container.textContent).toContain('4.00 at 21.4 °C · scatter 0.1 mV')
    expect(container.textContent).not.toContain('not steady')
    await user.click(screen.getByRole('button', { name: 'retake' }))
    expect(onRetake).toHaveBeenCalledOnce()
  })

  it('says for good that it was taken before it was steady, and offers no retake once it is kept', () => {
    const { container } = step({ reading: readIn(4.0, 150, { wasSteady: false }) }, { canChange: false })
    expect(container.textContent).toContain('· not steady')
    expect(screen.queryByRole('button', { name: 'retake' })).toBeNull()
  })

  it('wants the value typed that is read beside the probe; an example is not taken for it', async () => {
    const { user, onType } = step({ source: 'typed', label: 'gauge, low', unit: 'kPa', value: 80, isExample: true })
    const input = screen.getByLabelText<HTMLInputElement>('Value of gauge, low in kPa')
    expect(input.value).toBe('')
    await user.type(input, '81,5{Enter}')
    expect(onType).toHaveBeenCalledExactlyOnceWith(81.5)
  })
})

describe('a mistake found in the readings', () => {
  const swapped = { code: 'standards-swapped', sentence: 'They changed places.', blocks: true, positions: [0, 1] }
  const expired = { code: 'expired-standard', sentence: 'Its bottle is old.', blocks: false, positions: [1] }
  const carried = { code: 'carried-over', sentence: 'Some 7.00 stuck to it.', blocks: false, positions: [1] }
  const standards = [
    standard(0, '7.00', { reading: readIn(7, 5) }),
    standard(1, '4.01', { reading: readIn(4.01, 170) }),
  ]

  function faults(...found: (typeof swapped)[]) {
    const [onExchange, onRetake] = [vi.fn(), vi.fn()]
    return {
      onExchange,
      onRetake,
      ...show(
        <Faults calibration={calibration({ standards, faults: found })} onExchange={onExchange} onRetake={onRetake} />,
      ),
    }
  }

  it('is put right with one click where that is possible', async () => {
    const { user, onExchange } = faults(swapped)
    expect(screen.getByRole('alert').className).toContain('note-red')
    await user.click(screen.getByRole('button', { name: 'Exchange the two' }))
    expect(onExchange).toHaveBeenCalledExactlyOnceWith({ first: 0, second: 1 })
  })

  it('offers the retake that would help, and none where it would not', async () => {
    const { user, onRetake } = faults(carried, expired)
    expect(screen.getAllByRole('alert').map((alert) => alert.className)).toEqual(['note note-amber', 'note note-amber'])
    expect(screen.getAllByRole('button')).toHaveLength(1)
    await user.click(screen.getByRole('button', { name: 'Retake pH 4.01' }))
    expect(onRetake).toHaveBeenCalledExactlyOnceWith(1)
  })

  it('names the probe where several are read together, and is past once the calibration is kept', () => {
    const other = {
      ...calibration({ faults: [carried], standards }),
      probe: { ...calibration().probe, serial: 'Birch-1' },
    }
    const { rerender } = show(
      <Faults calibration={calibration({ standards, beside: [other] })} onExchange={vi.fn()} onRetake={vi.fn()} />,
    )
    expect(screen.getByRole('alert').textContent).toContain('Birch-1: Some 7.00 stuck to it.')
    rerender(
      <Faults
        calibration={calibration({ state: 'kept', standards, faults: [carried] })}
        onExchange={vi.fn()}
        onRetake={vi.fn()}
      />,
    )
    expect(screen.queryByRole('alert')).toBeNull()
  })
})

describe('a reading that was not taken', () => {
  it('may be taken all the same only where it was not steady', async () => {
    const onTakeAnyway = vi.fn()
    const { user, rerender } = show(
      <TakeProblem
        problem={Problem.from(409, { code: 'not-steady', detail: 'Not steady yet.' })}
        onTakeAnyway={onTakeAnyway}
      />,
    )
    await user.click(screen.getByRole('button', { name: 'Take it anyway' }))
    expect(onTakeAnyway).toHaveBeenCalledOnce()
    rerender(
      <TakeProblem
        problem={Problem.from(409, { code: 'probe-unplugged', detail: 'It is unplugged.' })}
        onTakeAnyway={onTakeAnyway}
      />,
    )
    expect(screen.getByRole('alert').textContent).toBe('It is unplugged. ')
    expect(screen.queryByRole('button')).toBeNull()
    rerender(<TakeProblem problem={Problem.offline()} onTakeAnyway={onTakeAnyway} />)
    expect(screen.getByRole('alert').textContent).toContain('What is stored is safe')
  })
})
