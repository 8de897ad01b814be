// @vitest-environment jsdom
import { MutationObserver, QueryObserver } from '@tanstack/react-query'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from './api/problem'
import { createQueryClient } from './queryClient'
import { saveStore } from './saveState'

const away = Problem.offline()
const refused = Problem.from(409, { code: 'not-steady', detail: 'Not steady yet.' })

/** Fails in these ways, one after the other, and then answers. */
function answering(...failures: Error[]) {
  const left = [...failures]
  return vi.fn(() => {
    const failure = left.shift()
    return failure === undefined ? Promise.resolve('done') : Promise.reject(failure)
  })
}

beforeEach(() => {
  vi.useFakeTimers()
  // There is one for the whole page, and what failed before stays told in it.
  saveStore.forgive()
})
afterEach(() => {
  vi.useRealTimers()
})

describe('a change', () => {
  async function make(mutationFn: () => Promise<string>, forMs: number) {
    const heard: string[] = []
    const stop = saveStore.subscribe(() => heard.push(saveStore.snapshot().status))
    const observer = new MutationObserver(createQueryClient(), { mutationFn })
    void observer.mutate(undefined).catch(() => undefined)
    await vi.advanceTimersByTimeAsync(forMs)
    stop()
    return { heard, result: observer.getCurrentResult() }
  }

  it('is tried again by itself while the connection is away, and says so', async () => {
    const mutationFn = answering(away, away)
    const { heard, result } = await make(mutationFn, 1000)
    expect(result.data).toBe('done')
    expect(mutationFn).toHaveBeenCalledTimes(3)
    expect(heard).toEqual(['keeping', 'waiting', 'waiting', 'kept'])
    expect(saveStore.isKeeping).toBe(false)
  })

  it('is not tried for ever: who comes back later decides anew', async () => {
    const mutationFn = answering(...Array.from({ length: 50 }, () => away))
    const { heard, result } = await make(mutationFn, 10_000)
    expect(result.isPending).toBe(true)
    expect(saveStore.isKeeping).toBe(true)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(mutationFn).toHaveBeenCalledTimes(9)
    expect(saveStore.snapshot()).toEqual({
      status: 'failed',
      sentence: 'The connection to Welkion is interrupted. What is stored is safe; try again once it is back.',
    })
    expect(heard.at(-1)).toBe('waiting')
  })

  it('of a session that has run out is told as not kept', async () => {
    await make(answering(Problem.from(401, { detail: 'Sign in to go on.' }, '/a')), 100)
    expect(saveStore.snapshot()).toEqual({ status: 'failed', sentence: 'Sign in to go on.' })
    saveStore.forgive()
  })

  it('that a rule forbids is not repeated, and nothing is left unkept', async () => {
    const mutationFn = answering(refused)
    const { heard, result } = await make(mutationFn, 5000)
    expect(result.error).toBe(refused)
    expect(mutationFn).toHaveBeenCalledOnce()
    expect(heard[0]).toBe('keeping')
    expect(heard).toHaveLength(2)
    expect(saveStore.isKeeping).toBe(false)
  })
})

describe('a session', () => {
  it.each([
    [401, true],
    [419, true],
    [403, false],
    [500, false],
  ])('is asked for again after a refusal of %d: %s', async (status, isAsked) => {
    const client = createQueryClient()
    const renewed = vi.spyOn(client, 'invalidateQueries')
    const observer = new MutationObserver(client, { mutationFn: answering(Problem.from(status, { detail: 'No.' })) })
    void observer.mutate(undefined).catch(() => undefined)
    await vi.advanceTimersByTimeAsync(10)
    expect(renewed.mock.calls.some(([filter]) => filter?.queryKey?.[0] === 'session')).toBe(isAsked)
    saveStore.forgive()
  })
})

describe('what is shown', () => {
  async function ask(queryFn: () => Promise<string>, forMs: number) {
    const client = createQueryClient()
    client.mount()
    const observer = new QueryObserver(client, { queryKey: ['benches'], queryFn })
    const stop = observer.subscribe(() => undefined)
    await vi.advanceTimersByTimeAsync(forMs)
    const result = observer.getCurrentResult()
    stop()
    client.unmount()
    return result
  }

  it('comes back by itself however long the server was away', async () => {
    const result = await ask(answering(...Array.from({ length: 12 }, () => away)), 60_000)
    expect([result.data, result.error]).toEqual(['done', null])
  })

  it('is asked for once where the answer is final', async () => {
    const queryFn = answering(Problem.from(404, { detail: 'There is nothing at this address.' }))
    const result = await ask(queryFn, 60_000)
    expect(result.error?.message).toBe('There is nothing at this address.')
    expect(queryFn).toHaveBeenCalledOnce()
  })
})
