import { QueryClient } from '@tanstack/react-query'
import { describe, expect, it } from 'vitest'
import type { Change, Notebook } from '../../lib/api/types'
import { notebook, runRows } from '../../testing/notebook'
import { Foresight } from './foresight'
import { takeIn } from './takeIn'
import { notebookKey, rowsKey, workedKey } from './useNotebook'

const EXPERIMENT = 4

function fewer(revision: number): Change {
  return {
    revision,
    made: null,
    changed: [],
    worked: [],
    rows: [runRows(3, [], { remaining: [2] })],
    changesCells: false,
    stages: null,
    undo: null,
    redo: null,
    said: null,
  }
}

/** A screen at revision 7 that has asked what a change would make. */
async function screen(become: (change: Change, asked: string) => Change | null = (change) => change) {
  const client = new QueryClient()
  client.setQueryData(notebookKey(EXPERIMENT), notebook({ revision: 7 }))
  client.setQueryData(workedKey(EXPERIMENT), { revision: 7, worked: [] })
  client.setQueryData(rowsKey(3), runRows(3, [], { remaining: [1, 2] }))
  const foresight = new Foresight<string>(client, EXPERIMENT)
  foresight.ask(Promise.resolve(fewer(8)), become)
  await Promise.resolve()
  return {
    client,
    foresight,
    known: () => [
      client.getQueryData<Notebook>(notebookKey(EXPERIMENT))?.revision,
      client.getQueryData<{ revision: number }>(workedKey(EXPERIMENT))?.revision,
      client.getQueryData<{ remaining: number[] }>(rowsKey(3))?.remaining,
    ],
    isAskedAgain: () => client.getQueryState(notebookKey(EXPERIMENT))?.isInvalidated,
  }
}

describe('what a change would make', () => {
  it('is shown when it is asked for, not before, and once', async () => {
    const { foresight, known } = await screen()
    expect(known()).toEqual([7, 7, [1, 2]])
    foresight.show('press')
    expect(known()).toEqual([8, 8, [2]])
    foresight.takeBack()
    expect(known()).toEqual([7, 7, [1, 2]])
    foresight.show('another press')
    expect(known()).toEqual([7, 7, [1, 2]])
  })

  it('is not shown where it does not fit what is asked for', async () => {
    const { foresight, known } = await screen((change, asked) => (asked === 'that' ? change : null))
    foresight.show('this')
    expect(known()).toEqual([7, 7, [1, 2]])
  })

  it('is worth nothing after another change', async () => {
    const { client, foresight, known } = await screen()
    takeIn(client, EXPERIMENT, { ...fewer(8), rows: [] })
    foresight.show('press')
    expect(known()).toEqual([8, 8, [1, 2]])
  })

  it('is worth nothing when it could not be asked', async () => {
    const { foresight, known } = await screen((change) => change)
    foresight.show('press')
    foresight.takeBack()
    foresight.ask(Promise.reject(new Error('away')), (change) => change)
    await Promise.resolve()
    foresight.show('press')
    expect(known()).toEqual([7, 7, [1, 2]])
  })

  it('hides nothing that somebody else did before it was made', async () => {
    const { client, foresight, known, isAskedAgain } = await screen()
    foresight.show('press')
    foresight.takeBack()
    takeIn(client, EXPERIMENT, fewer(9))
    expect(known()).toEqual([9, 9, [2]])
    expect(isAskedAgain()).toBe(true)
  })

  it('stays away from what was read from the server meanwhile', async () => {
    const { client, foresight, known } = await screen()
    foresight.show('press')
    client.setQueryData(notebookKey(EXPERIMENT), notebook({ revision: 9 }))
    client.setQueryData(rowsKey(3), runRows(3, [], { remaining: [] }))
    foresight.takeBack()
    expect(known()).toEqual([9, 8, []])
  })
})
