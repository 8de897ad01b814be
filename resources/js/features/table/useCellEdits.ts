import { notifyManager, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import { sentenceOf } from '../../lib/api/problem'
import type { Notebook, Row, RunRows } from '../../lib/api/types'
import { columnsOn, whatChanged, type Changed } from '../../lib/notebook/whatChanged'
import { uuid } from '../../lib/uuid'
import { inTurn, useTyping, useWorked } from '../notebook'

/** A block of cells on its way to being kept; one that was refused stays in sight until it is tried again or given up. */
interface Edit {
  key: string
  place: number
  columns: number[]
  cells: string[][]
  refused: string | null
}

/**
 * Types cells one after the other in the order they were typed, and shows them at once. A row that is new gets its number with
 * the answer; what is typed into it meanwhile waits for that.
 */
export function useCellEdits(notebook: Notebook, runId: number, rowAt: (place: number) => Row | undefined) {
  const client = useQueryClient()
  const { fill } = useTyping(runId, notebook.id)
  const worked = useWorked(notebook.id).data?.worked
  const known = useRef({ notebook, worked })
  useEffect(() => {
    known.current = { notebook, worked }
  })
  const [edits, setEdits] = useState<Edit[]>([])
  const [changed, setChanged] = useState<{ columns: string[]; results: Changed[] }>({ columns: [], results: [] })

  async function numberOf(place: number): Promise<number | null> {
    const rows = client.getQueryData<RunRows>(['rows', runId])
    if (rows === undefined || place >= (rows.typed?.rowCount ?? rows.rows.length)) return null
    if (rows.typed?.isThinned !== true) return rows.rows[place]?.number ?? null
    const page = await answerOf(
      api.GET('/api/runs/{run}/rows', { params: { path: { run: runId }, query: { from: place, count: 1 } } }),
    )
    return page.rows[0]?.number ?? null
  }

  async function keep(edit: Edit, number: number | undefined): Promise<void> {
    try {
      const row = number ?? (await numberOf(edit.place))
      const { columns, runs, lines } = known.current.notebook
      const before = known.current.worked ?? []
      const change = await fill.ask({ row, columns: edit.columns, cells: edit.cells })
      const typed = columns.filter(({ id }) => edit.columns.includes(id)).map(({ symbol }) => symbol)
      setChanged({
        columns: columnsOn(columns, typed),
        results: whatChanged({ lines, runs }, before, change.worked),
      })
      // After the rows of the answer are on the screen, or the row being typed into next would be gone for a moment.
      notifyManager.schedule(() => {
        setEdits((all) => all.filter(({ key }) => key !== edit.key))
      })
    } catch (error) {
      const refused = sentenceOf(error instanceof Error ? error : new Error('It could not be kept.'))
      setEdits((all) => all.map((one) => (one.key === edit.key ? { ...one, refused } : one)))
    }
  }

  function send(edit: Edit): void {
    const number = rowAt(edit.place)?.number
    void inTurn(notebook.id, () => keep(edit, number))
  }

  function put(place: number, columns: number[], cells: string[][]): void {
    const edit: Edit = { key: uuid(), place, columns, cells, refused: null }
    setEdits((all) => [...all, edit])
    send(edit)
  }

  function tryAgain(): void {
    const refused = edits.filter((edit) => edit.refused !== null)
    setEdits((all) => all.map((one) => ({ ...one, refused: null })))
    for (const edit of refused) send(edit)
  }

  /** What was typed into a cell and is not answered yet; undefined: nothing. */
  function typedAt(place: number, column: number): { text: string; isRefused: boolean } | undefined {
    for (const { place: first, columns, cells, refused } of edits.toReversed()) {
      const text = cells[place - first]?.[columns.indexOf(column)]
      if (text !== undefined) return { text, isRefused: refused !== null }
    }
    return undefined
  }

  return {
    put,
    tryAgain,
    giveUp: () => {
      setEdits((all) => all.filter(({ refused }) => refused === null))
    },
    typedAt,
    /** What is others by the last of them. */
    changed,
    /** Rows there will be once all is kept. */
    reach: Math.max(0, ...edits.map(({ place, cells }) => place + cells.length)),
    refused: edits.find(({ refused }) => refused !== null)?.refused ?? null,
  }
}
