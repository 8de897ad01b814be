// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react'
import { expect, it } from 'vitest'
import { useAsked } from './useAsked'

it('shows what was asked for until the answer has come, and what there is when it was refused', () => {
  const { result, rerender } = renderHook(({ value }) => useAsked(value), { initialProps: { value: 'apart' } })
  const ask = (next: string) => {
    act(() => {
      result.current.ask(next)
    })
  }
  ask('joined')
  expect(result.current.shown).toBe('joined')
  rerender({ value: 'joined' })
  rerender({ value: 'apart' })
  expect(result.current.shown, 'Undone.').toBe('apart')
  ask('joined')
  act(() => {
    result.current.takeBack()
  })
  expect(result.current.shown).toBe('apart')
  ask('joined')
  rerender({ value: 'by words' })
  expect(result.current.shown).toBe('by words')
})
