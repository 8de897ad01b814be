import { expect, it } from 'vitest'
import { untilAnswered } from './untilAnswered'

it('keeps an answer for the same question at another revision, and for no other question', () => {
  const kept = untilAnswered(['relations', 4, { x: 't', y: 'a' }, 8])
  const asked = (...queryKey: unknown[]) => ({ queryKey })
  expect(kept('before', asked('relations', 4, { y: 'a', x: 't' }, 7))).toBe('before')
  expect(kept('before', asked('relations', 4, { x: 't', y: 'b' }, 7))).toBeUndefined()
  expect(kept('before', asked('relations', 5, { x: 't', y: 'a' }, 8))).toBeUndefined()
  expect(kept<string>(undefined, undefined)).toBeUndefined()
})
