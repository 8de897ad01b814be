import { beforeEach, describe, expect, it, vi } from 'vitest'

describe('saveStore', () => {
  let saveStore: typeof import('./saveState').saveStore

  beforeEach(async () => {
    vi.resetModules()
    saveStore = (await import('./saveState')).saveStore
  })

  it('says kept only when everything under way is kept', () => {
    saveStore.begin()
    saveStore.begin()
    saveStore.succeed()
    expect(saveStore.snapshot().status).toBe('keeping')
    expect(saveStore.isKeeping).toBe(true)
    saveStore.succeed()
    expect(saveStore.snapshot().status).toBe('kept')
    expect(saveStore.isKeeping).toBe(false)
  })

  it('goes on telling a failure while other things are kept, until the same is kept', () => {
    saveStore.begin()
    saveStore.fail('/a', 'The connection is interrupted.')
    const failed = { status: 'failed', sentence: 'The connection is interrupted.' }
    expect(saveStore.snapshot()).toEqual(failed)
    saveStore.begin()
    expect(saveStore.snapshot().status).toBe('keeping')
    saveStore.stored('/b')
    saveStore.succeed()
    expect(saveStore.snapshot()).toEqual(failed)
    saveStore.begin()
    saveStore.stored('/a')
    saveStore.succeed()
    expect(saveStore.snapshot().status).toBe('kept')
  })

  it('forgets a failure that was read', () => {
    saveStore.begin()
    saveStore.fail('/a', 'No.')
    saveStore.forgive()
    expect(saveStore.snapshot()).toEqual({ status: 'idle' })
  })

  it('says after a refusal when something was last kept, not that this was', () => {
    saveStore.begin()
    saveStore.refuse()
    expect(saveStore.snapshot()).toEqual({ status: 'idle' })
    saveStore.begin()
    saveStore.succeed()
    const kept = saveStore.snapshot()
    saveStore.begin()
    saveStore.wait()
    expect(saveStore.snapshot().status).toBe('waiting')
    saveStore.refuse()
    expect(saveStore.snapshot()).toEqual(kept)
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
