// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { show } from '../testing/show'
import { NumberField } from './NumberField'

function field(value: number | null = 25, more: Partial<Parameters<typeof NumberField>[0]> = {}) {
  const onChange = vi.fn()
  const shown = show(<NumberField label="Volume" unit="mL" value={value} onChange={onChange} {...more} />)
  return { onChange, input: screen.getByLabelText<HTMLInputElement>('Volume'), ...shown }
}

describe('a typed number', () => {
  it('is handed over when the field is left, and only if it changed', async () => {
    const { user, input, onChange } = field()
    await user.clear(input)
    await user.type(input, '25')
    await user.tab()
    expect(onChange).not.toHaveBeenCalled()
    await user.clear(input)
    await user.type(input, '12.5')
    expect(onChange).not.toHaveBeenCalled()
    await user.tab()
    expect(onChange).toHaveBeenCalledExactlyOnceWith(12.5)
  })

  it.each([
    ['12,5', 12.5],
    [' 0.1 ', 0.1],
    ['-3', -3],
    ['1e-3', 0.001],
  ])('is read as people write it: %s', async (text, number) => {
    const { user, input, onChange } = field()
    await user.clear(input)
    await user.type(input, `${text}{Enter}`)
    expect(onChange).toHaveBeenCalledExactlyOnceWith(number)
    expect(input).not.toBe(document.activeElement)
  })

  it('that is none stays as typed, is named, and changes nothing', async () => {
    const { user, input, onChange } = field()
    await user.clear(input)
    await user.type(input, 'a lot{Enter}')
    expect(onChange).not.toHaveBeenCalled()
    expect(input.value).toBe('a lot')
    expect(screen.getByText('"a lot" is not a number.').id).toBe(input.getAttribute('aria-describedby'))
    expect(input.getAttribute('aria-invalid')).toBe('true')

    await user.clear(input)
    await user.type(input, '7')
    expect(screen.queryByText(/is not a number/)).toBeNull()
  })

  it('may be left blank only where that means something', async () => {
    const needed = field()
    await needed.user.clear(needed.input)
    await needed.user.tab()
    expect(screen.getByText('A number is needed.')).toBeDefined()
    expect(needed.onChange).not.toHaveBeenCalled()
    needed.unmount()

    const free = field(25, { allowBlank: true })
    await free.user.clear(free.input)
    await free.user.tab()
    expect(free.onChange).toHaveBeenCalledExactlyOnceWith(null)
  })

  it('follows its value when another screen changes it', () => {
    const { input, rerender } = field()
    rerender(<NumberField label="Volume" unit="mL" value={50} onChange={vi.fn()} />)
    expect(input.value).toBe('50')
  })

  it('says what the server had against it, and its unit to those who hear it', () => {
    show(
      <NumberField
        label="Volume"
        hideLabel
        unit="mL"
        value={-3}
        problem="The value must be above 0."
        onChange={vi.fn()}
      />,
    )
    const input = screen.getByLabelText('Volume in mL')
    expect(input.getAttribute('aria-invalid')).toBe('true')
    expect(screen.getByText('The value must be above 0.')).toBeDefined()
  })
})
