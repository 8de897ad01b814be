import { QueryClient, QueryObserver } from '@tanstack/react-query'
import { describe, expect, it, vi } from 'vitest'
import type { Change, Notebook, RunRows } from '../../lib/api/types'
import { notebook, runRows } from '../../testing/notebook'
import { takeIn } from './takeIn'
import { notebookKey, rowsKey, workedKey } from './useNotebook'

const EXPERIMENT = 4

function answer(revision: number, rows: Change['rows'] = []): Change {
  return {
    revision,
    made: null,
    changed: [],
    worked: [],
    rows,
    changesCells: false,
    stages: null,
    undo: null,
    redo: null,
    said: null,
  }
}

/** What a screen knows of a notebook at revision 7, and which of it is asked for again. */
function screen() {
  const client = new QueryClient()
  client.setQueryData(notebookKey(EXPERIMENT), notebook({ revision: 7 }))
  client.setQueryData(workedKey(EXPERIMENT), { revision: 7, worked: [] })
  client.setQueryData(rowsKey(3), runRows(3, [], { remaining: [1, 2] }))
  return {
    client,
    revision: () => client.getQueryData<Notebook>(notebookKey(EXPERIMENT))?.revision,
    isAskedAgain: () =>
      [notebookKey(EXPERIMENT), workedKey(EXPERIMENT), rowsKey(3)].map(
        (key) => client.getQueryState(key)?.isInvalidated,
      ),
  }
}

/** Rows that a screen shows and has asked for again. */
function rowsOnTheWay(client: QueryClient) {
  const read: ((rows: RunRows) => void)[] = []
  const watched = new QueryObserver<RunRows>(client, {
    queryKey: rowsKey(3),
    queryFn: () => new Promise<RunRows>((resolve) => read.push(resolve)),
    staleTime: Infinity,
  })
  const stop = watched.subscribe(() => undefined)
  void client.invalidateQueries({ queryKey: rowsKey(3) })
  return { read, stop }
}

describe('the answer to a change', () => {
  const fewer = [runRows(3, [], { remaining: [2] })]

  it('is taken in at once, and nothing is asked again', () => {
    const { client, revision, isAskedAgain } = screen()
    takeIn(client, EXPERIMENT, answer(8, fewer))
    expect(revision()).toBe(8)
    expect(client.getQueryData(rowsKey(3))).toMatchObject({ remaining: [2] })
    expect(isAskedAgain()).toEqual([false, false, false])
  })

  it('that comes after newer news brings nothing back; all is asked again', () => {
    const { client, revision, isAskedAgain } = screen()
    takeIn(client, EXPERIMENT, answer(6, fewer))
    expect(revision()).toBe(7)
    expect(client.getQueryData(rowsKey(3))).toMatchObject({ remaining: [1, 2] })
    expect(isAskedAgain()).toEqual([true, true, true])
  })

  it('that knows of more than this screen has heard is taken in, and all is asked again', () => {
    const { client, revision, isAskedAgain } = screen()
    takeIn(client, EXPERIMENT, answer(9, fewer))
    expect(revision()).toBe(9)
    expect(isAskedAgain()).toEqual([true, true, true])
  })

  it('is not written over by what was read before it and comes after it', async () => {
    const { client, revision } = screen()
    const read: ((notebook: Notebook) => void)[] = []
    const watched = new QueryObserver<Notebook>(client, {
      queryKey: notebookKey(EXPERIMENT),
      queryFn: () => new Promise<Notebook>((resolve) => read.push(resolve)),
      staleTime: Infinity,
    })
    const stop = watched.subscribe(() => undefined)
    void client.invalidateQueries({ queryKey: notebookKey(EXPERIMENT) })
    expect(read).toHaveLength(1)

    takeIn(client, EXPERIMENT, answer(8, fewer))
    read[0]?.(notebook({ revision: 7 }))
    await Promise.resolve()
    expect(revision()).toBe(8)
    expect(read).toHaveLength(2)
    read[1]?.(notebook({ revision: 9 }))
    await vi.waitFor(() => {
      expect(revision()).toBe(9)
    })
    stop()
  })

  it('brings rows that are newer than those on their way', async () => {
    const { client } = screen()
    const { read, stop } = rowsOnTheWay(client)

    takeIn(client, EXPERIMENT, answer(8, fewer))
    read[0]?.(runRows(3, [], { remaining: [1, 2] }))
    await new Promise((resolve) => setTimeout(resolve, 5))
    expect(client.getQueryData(rowsKey(3))).toMatchObject({ remaining: [2] })
    expect(read).toHaveLength(1)
    stop()
  })

  it('that tells rows in part has them asked for again where newer ones were on their way', async () => {
    const { client } = screen()
    const part = runRows(3, [], {
      typed: {
        rowCount: 0,
        isThinned: true,
        asideCount: 0,
        only: ['T'],
        feet: [],
        blanks: [],
        unreadable: [],
        unreadableCount: 0,
      },
    })
    takeIn(client, EXPERIMENT, answer(8, [part]))
    expect(client.getQueryState(rowsKey(3))?.isInvalidated).toBe(false)

    const { read, stop } = rowsOnTheWay(client)
    takeIn(client, EXPERIMENT, answer(9, [part]))
    await vi.waitFor(() => {
      expect(read).toHaveLength(2)
    })
    stop()
  })
})
