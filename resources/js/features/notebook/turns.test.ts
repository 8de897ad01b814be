import { describe, expect, it } from 'vitest'
import { inTurn } from './turns'

const later = (ms: number) => new Promise((wake) => setTimeout(wake, ms))

describe('what is done in turn', () => {
  it('begins once all before it is done, however long that takes, or fails', async () => {
    const done: string[] = []
    const slow = inTurn(1, async () => {
      await later(20)
      done.push('slow')
      throw new Error('refused')
    })
    const undo = inTurn(1, () => Promise.resolve(done.push('undo')))
    await expect(slow).rejects.toThrow('refused')
    expect(await undo).toBe(2)
    expect(done).toEqual(['slow', 'undo'])
  })

  it('waits for no other experiment', async () => {
    const done: string[] = []
    const slow = inTurn(1, async () => {
      await later(20)
      done.push('one')
    })
    await inTurn(2, () => Promise.resolve(done.push('another')))
    await slow
    expect(done).toEqual(['another', 'one'])
  })
})
