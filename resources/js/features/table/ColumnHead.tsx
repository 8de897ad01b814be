import { useState } from 'react'
import type { Column, Notebook } from '../../lib/api/types'
import { columnHead } from '../../lib/notebook/labels'
import { widthOf } from '../../lib/table/cells'
import { useColumns } from '../notebook'

interface ColumnHeadProps {
  notebook: Notebook
  column: Column
  isTyped: boolean
  isShown: boolean
  onShow: (() => void) | null
}

const NARROWEST = 48
const WIDEST = 500
const DRAGGED = 'application/x-column'

/** The head of a column: what it is, in which unit, and how its cells come about. Pressed it tells more; dragged it moves. */
export function ColumnHead({ notebook, column, isTyped, isShown, onShow }: ColumnHeadProps) {
  const { change } = useColumns(notebook.id)
  const [pulled, setPulled] = useState<{ from: number; by: number } | null>(null)
  const width = widthOf(column)
  const wanted = Math.round(Math.max(NARROWEST, Math.min(WIDEST, width + (pulled?.by ?? 0))))
  return (
    <th
      scope="col"
      className={`relative ${isShown ? 'bg-(--green-paper)' : ''}`}
      style={pulled === null ? undefined : { width: wanted, minWidth: wanted }}
      title={column.shownName}
      draggable={pulled === null}
      onDragStart={(event) => {
        event.dataTransfer.setData(DRAGGED, String(column.id))
      }}
      onDragOver={(event) => {
        if (event.dataTransfer.types.includes(DRAGGED)) event.preventDefault()
      }}
      onDrop={(event) => {
        const dragged = Number(event.dataTransfer.getData(DRAGGED))
        const to = notebook.columns.findIndex(({ id }) => id === column.id)
        if (dragged !== 0 && dragged !== column.id) change.act({ column: dragged, position: to + 1 })
      }}
    >
      <button
        type="button"
        className="block w-full enabled:cursor-pointer truncate px-2 text-right font-normal"
        aria-expanded={onShow === null ? undefined : isShown}
        disabled={onShow === null}
        onClick={onShow ?? undefined}
      >
        <span className="block truncate font-semibold">{columnHead(column)}</span>
        <span className={`block truncate text-xs ${column.kind === 'derived' ? 'text-primary' : 'quiet'}`}>
          {column.kind === 'derived' ? `= ${column.formula ?? ''}` : isTyped ? 'typed' : 'recorded'}
        </span>
      </button>
      <span
        className="absolute inset-y-0 right-0 w-1.5 cursor-col-resize touch-none"
        aria-hidden="true"
        onPointerDown={(event) => {
          event.preventDefault()
          event.currentTarget.setPointerCapture(event.pointerId)
          setPulled({ from: event.clientX, by: 0 })
        }}
        onPointerMove={(event) => {
          if (pulled !== null) setPulled({ ...pulled, by: event.clientX - pulled.from })
        }}
        onPointerUp={() => {
          if (pulled !== null && wanted !== width) change.act({ column: column.id, width: wanted })
          setPulled(null)
        }}
      />
    </th>
  )
}
