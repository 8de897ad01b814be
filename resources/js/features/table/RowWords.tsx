import { useState } from 'react'
import type { Notebook, Row, RunRows, RunSummary } from '../../lib/api/types'
import { deletedWords } from '../../lib/notebook/deleted'
import type { Block } from '../../lib/table/grid'
import { useNotices } from '../../ui/notices'
import { ProblemNote } from '../../ui/ProblemNote'
import { useTyping, useUndo } from '../notebook'
import { SetAsideDialog, useSetAside } from '../reasonFigure'

interface RowWordsProps {
  notebook: Notebook
  run: RunSummary
  rows: RunRows
  block: Block | null
  /** Rows that are kept. */
  count: number
  rowAt: (place: number) => Row | undefined
  onFillDown: () => void
}

/** What can be done with the rows of the cells in hand, in words. */
export function RowWords({ notebook, run, rows, block, count, rowAt, onFillDown }: RowWordsProps) {
  const { insert, move, remove } = useTyping(run.id, notebook.id)
  const { takeBack, error } = useSetAside(notebook, rows)
  const { undo } = useUndo(notebook.id)
  const { tell } = useNotices()
  const [asking, setAsking] = useState<Row[] | null>(null)
  const first = block === null ? undefined : rowAt(block.top)
  const bottom = block === null ? -1 : Math.min(block.bottom, count - 1)
  const last = rowAt(bottom)
  if (block === null || first === undefined || last === undefined)
    return (
      <p className="quiet px-4 py-2 text-sm">Enter goes down, Tab goes right, F2 mends a cell; paste from anywhere.</p>
    )
  const chosen = Array.from({ length: bottom - block.top + 1 }, (_, i) => rowAt(block.top + i)).filter(
    (row) => row !== undefined,
  )
  const isOne = chosen.length === 1
  const span = { from: first.number, to: last.number }
  const above = rowAt(block.top - 1)
  const below = rowAt(bottom + 2)
  const words: [string, (() => void) | null][] = [
    ['fill down', block.bottom > block.top ? onFillDown : null],
    [
      'set aside',
      chosen.some(({ setAside }) => setAside === null)
        ? () => {
            setAsking(chosen)
          }
        : null,
    ],
    [
      'count again',
      isOne && first.setAside !== null
        ? () => {
            takeBack(first)
          }
        : null,
    ],
    ...(run.kind === 'typed'
      ? ([
          [
            'row above',
            () => {
              insert.act({ count: chosen.length, before: first.number })
            },
          ],
          [
            'move up',
            above === undefined
              ? null
              : () => {
                  move.act({ ...span, before: above.number })
                },
          ],
          [
            'move down',
            bottom + 1 >= count
              ? null
              : () => {
                  move.act({ ...span, before: below?.number ?? null })
                },
          ],
          [
            'delete',
            () => {
              remove.act(span, () => {
                tell(deletedWords(chosen), () => {
                  undo.act()
                })
              })
            },
          ],
        ] as [string, (() => void) | null][])
      : []),
  ]
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 px-4 py-2 text-sm">
      <span className="quiet">{isOne ? `Row ${block.top + 1}:` : `Rows ${block.top + 1} to ${bottom + 1}:`}</span>
      {words.map(([word, act]) =>
        act === null ? null : (
          <button key={word} type="button" className="word-button font-normal!" onClick={act}>
            {word}
          </button>
        ),
      )}
      <ProblemNote problem={insert.error ?? move.error ?? remove.error ?? error} />
      {asking === null ? null : (
        <SetAsideDialog
          notebook={notebook}
          rows={rows}
          readings={asking}
          onClose={() => {
            setAsking(null)
          }}
        />
      )}
    </div>
  )
}
