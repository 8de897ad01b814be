import { expect, it } from 'vitest'
import { uuid } from './uuid'

it('makes version 4 UUIDs that differ', () => {
  const made = new Set(Array.from({ length: 200 }, uuid))
  expect(made.size).toBe(200)
  for (const id of made) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
})
