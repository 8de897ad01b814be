import { describe, expect, it } from 'vitest'
import { saveStore } from './saveState'

describe('saveStore', () => {
  it('says kept only when everything under way is kept, and tells what was not', () => {
    saveStore.begin()
    saveStore.begin()
    saveStore.succeed()
    expect(saveStore.snapshot().status).toBe('keeping')
    saveStore.succeed()
    expect(saveStore.snapshot().status).toBe('kept')

    saveStore.begin()
    saveStore.fail('The connection is interrupted.')
    expect(saveStore.snapshot()).toEqual({ status: 'failed', sentence: 'The connection is interrupted.' })
  })

  it('tells its listeners of each change until they leave', () => {
    let count = 0
    const stop = saveStore.subscribe(() => {
      count++
    })
    saveStore.begin()
    saveStore.succeed()
    stop()
    saveStore.begin()
    expect(count).toBe(2)
  })
})
