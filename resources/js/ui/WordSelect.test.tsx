// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, it } from 'vitest'
import { WordSelect } from './WordSelect'

afterEach(cleanup)

const word = () => screen.getByRole<HTMLSelectElement>('combobox', { name: 'x' })
const choose = (value: string) => fireEvent.change(word(), { target: { value } })

it('shows a choice that is on its way, and hears the next one', async () => {
  const heard: string[] = []
  const answers: (() => void)[] = []
  const onChange = (value: string) => {
    heard.push(value)
    return new Promise<void>((resolve) => answers.push(resolve))
  }
  const { rerender } = render(<WordSelect label="x" value="V" options={['V', 't']} onChange={onChange} />)
  choose('t')
  expect(word().value).toBe('t')
  choose('V')
  expect(heard).toEqual(['t', 'V'])
  expect(word().value).toBe('V')
  rerender(<WordSelect label="x" value="t" options={['V', 't']} onChange={onChange} />)
  rerender(<WordSelect label="x" value="V" options={['V', 't']} onChange={onChange} />)
  await act(async () => {
    answers.forEach((answer) => {
      answer()
    })
    await Promise.resolve()
  })
  expect(word().value).toBe('V')
})

it('goes back to the word that stands when another is refused', async () => {
  const refused = () => Promise.reject(new Error('It is used.'))
  render(<WordSelect label="x" value="V" options={['V', 't']} onChange={refused} />)
  choose('t')
  expect(word().value).toBe('t')
  await act(() => Promise.resolve())
  expect(word().value).toBe('V')
})
