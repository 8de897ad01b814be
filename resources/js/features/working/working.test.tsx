// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { testWorking } from '../../testing/working'
import { NOTHING } from '../../lib/figure/selection'
import { experiment, kept, measured, reading } from '../../testing/examples'
import { show } from '../../testing/show'
import { TableDrawer } from './TableDrawer'
import { WorkingPanel } from './WorkingPanel'

describe('the working', () => {
  function panel(change: Parameters<typeof testWorking>[0] = {}, typed = experiment()) {
    const onCompare = vi.fn()
    const shown = show(
      <WorkingPanel
        experiment={typed}
        working={testWorking(change)}
        isUpdating={false}
        isComparing={false}
        onCompare={onCompare}
      />,
    )
    return { onCompare, ...shown }
  }
  const line = (more: object) => ({
    number: 3,
    key: 'concentration',
    title: 'Concentration',
    result: measured(0.041872, 0.000213, 'mol/L', 5),
    method: 'from the equivalence volume',
    formula: 'c₁ = c·V / V₀',
    numbers: '0.1000 · 10.45 / 25.00',
    uses: [1],
    warnings: [],
    needs: null,
    ...more,
  })

  it('shows each line with its result, what it rests on, and all digits on demand', async () => {
    const { user } = panel({ lines: [line({})] })
    const item = screen.getByRole('list', { name: 'Lines of working' })
    expect(item.textContent).toContain('0.04187 ± 0.00021 mol/L')
    expect(within(item).getByText('= 0.1000 · 10.45 / 25.00')).toBeDefined()
    expect(within(item).getByText('Rests on line ①.')).toBeDefined()
    expect(screen.queryByTestId('digits-concentration')).toBeNull()
    await user.click(within(item).getByRole('button', { name: /0.04187/ }))
    expect(screen.getByTestId('digits-concentration').textContent).toBe('0.041872 ± 0.000213 mol/L')
    await user.click(within(item).getByRole('button', { name: /0.04187/ }))
    expect(screen.queryByTestId('digits-concentration')).toBeNull()
  })

  it('says what a line still needs, and opens the field where it is typed', async () => {
    const { user } = panel({ lines: [line({ result: null, needs: 'Type the concentration of NaOH.' })] })
    expect(screen.getByText('—')).toBeDefined()
    await user.click(screen.getByRole('button', { name: 'Type it' }))
    expect(screen.getByRole('dialog', { name: 'Typed values' })).toBeDefined()
  })

  it('has nothing to type where another line is missing', () => {
    panel({ lines: [line({ result: null, needs: 'Needs line ①.' })] })
    expect(screen.getByText('Needs line ①.')).toBeDefined()
    expect(screen.queryByRole('button', { name: 'Type it' })).toBeNull()
  })

  it('tells its warnings and what must be said of the calibration', () => {
    panel({
      lines: [
        line({ warnings: [{ code: 'coarse-steps', title: 'Coarse steps.', text: 'Read more between 10 and 11 mL.' }] }),
      ],
      trustSentences: ['pH electrode: calibration 12 days old.'],
    })
    expect(screen.getByText('Coarse steps.').parentElement?.textContent).toContain('Read more between 10 and 11 mL.')
    expect(screen.getByText('pH electrode: calibration 12 days old.')).toBeDefined()
  })

  it('says by which calibration, and offers another', async () => {
    const { user, onCompare, unmount } = panel()
    expect(screen.getByText(/^By the line of an ideal electrode/)).toBeDefined()
    await user.click(screen.getByRole('button', { name: 'by another …' }))
    expect(onCompare).toHaveBeenCalledExactlyOnceWith(true)
    unmount()
    panel({ calibration: kept(), isWorkedOutAgain: true })
    expect(screen.getByText(/^Worked out again by the calibration of .*, 97\.8 %/)).toBeDefined()
  })

  it('counts the typed values that are missing', () => {
    const entries = experiment().entries
    const { unmount } = panel()
    expect(screen.getByText('all there')).toBeDefined()
    unmount()
    const blank = entries.map((entry) => ({ ...entry, value: null }))
    const second = panel({}, experiment({ entries: blank }))
    expect(screen.getByText('2 are missing')).toBeDefined()
    second.unmount()
    panel({}, experiment({ entries: blank.slice(0, 1) }))
    expect(screen.getByText('1 is missing')).toBeDefined()
  })
})

describe('the table below the figure', () => {
  const readings = [
    reading(1, 0, 2.6),
    { ...reading(2, 5, 3.8), wasSteady: false, celsius: null },
    reading(3, 10, 11.2, { setAsideReason: 'touched the glass' }),
  ]

  it('is shut until it is wanted, and picks the point of a row', async () => {
    const onSelect = vi.fn()
    const working = testWorking({ readings })
    const { user } = show(
      <TableDrawer experiment={experiment()} working={working} selection={NOTHING} onSelect={onSelect} />,
    )
    expect(screen.queryByRole('table')).toBeNull()
    await user.click(screen.getByRole('button', { name: /3 rows/ }))
    await user.click(screen.getByRole('button', { name: 'Pick the reading at 5.00 mL' }))
    expect(onSelect).toHaveBeenCalledExactlyOnceWith({ kind: 'reading', id: 2 })
    const rows = screen.getAllByRole('row').slice(1)
    expect(rows[1]?.textContent).toContain('3.80')
    expect(rows[1]?.textContent).toContain('—')
    expect(rows[2]?.textContent).toContain('touched the glass')
  })
})
