import { notifyManager } from '@tanstack/react-query'
import { expect, it } from 'vitest'
import { inOneFrame } from './oneFrame'

/** Whether it is told before anything that waits for its turn, a frame among them. */
async function isToldAtOnce(tell: (then: () => void) => void): Promise<boolean> {
  let isTold = false
  tell(() => {
    isTold = true
  })
  await Promise.resolve()
  await Promise.resolve()
  return isTold
}

it('what a press changes is told at once, and what comes after the press in its turn', async () => {
  const tell = (then: () => void) => {
    notifyManager.schedule(then)
  }
  expect(
    await isToldAtOnce((then) => {
      inOneFrame(() => {
        tell(then)
      })
    }),
  ).toBe(true)
  expect(await isToldAtOnce(tell)).toBe(false)
  expect(() => {
    inOneFrame(() => {
      throw new Error('refused')
    })
  }).toThrow('refused')
  expect(await isToldAtOnce(tell)).toBe(false)
})
