// @vitest-environment jsdom
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { describe, expect, it, vi } from 'vitest'
import { AxisFields, type AxisChange, type AxisPart } from './AxisFields'

const AXIS = { from: null, to: null, unit: null, scale: 'linear', label: 'time' } as const

async function opened() {
  const onChange = vi.fn<(part: AxisPart, change: AxisChange) => void>()
  const onRefuse = vi.fn<(part: AxisPart, words: string) => void>()
  render(
    <AxisFields
      name="x: t"
      axis={{ ...AXIS, shown: {} }}
      unit="min"
      refusal={null}
      onRefuse={onRefuse}
      onChange={onChange}
    />,
  )
  const user = userEvent.setup()
  const word = screen.getByRole('button', { name: 'x: t' })
  await user.click(word)
  return { user, word, onChange, onRefuse, field: screen.getByLabelText('called') }
}
const isOpen = () => screen.queryByLabelText('called') !== null

describe('what an axis is called', () => {
  it('is typed in a field that closes with Enter, and the word has the focus again', async () => {
    const { user, word, onChange, field } = await opened()
    expect(document.activeElement).toBe(field)
    await user.clear(field)
    await user.type(field, 'since noon{Enter}')

    expect(onChange.mock.calls.map(([part, change]) => [part, change({ ...AXIS, shown: {} }).label])).toEqual([
      ['called', 'since noon'],
    ])
    expect(isOpen()).toBe(false)
    await vi.waitFor(() => {
      expect(document.activeElement).toBe(word)
    })
  })

  it('closes with Enter where nothing was changed, too, as while a change is still on its way', async () => {
    const { user, onChange, field } = await opened()
    await user.type(field, '{Enter}')

    expect(onChange).not.toHaveBeenCalled()
    expect(isOpen()).toBe(false)
  })

  it('closes when the word is pressed once more', async () => {
    const { user, word, field } = await opened()
    await user.type(field, ' of day')
    await user.click(word)

    expect(isOpen()).toBe(false)
  })
})

it('refuses an end that is no number, and takes nothing for one that fits', async () => {
  const { user, onChange, onRefuse } = await opened()
  await user.type(screen.getByLabelText('from'), 'five{Enter}')
  expect(onRefuse).toHaveBeenCalledWith(
    'from',
    '“five” is no number. Type one like 5 or 0.25, or nothing for an end that fits.',
  )
  await user.clear(screen.getByLabelText('from'))
  await user.type(screen.getByLabelText('from'), '2,5{Enter}')

  expect(onChange.mock.calls.map(([part, change]) => [part, change({ ...AXIS, shown: {} }).from])).toEqual([
    ['from', 2.5],
  ])
})
