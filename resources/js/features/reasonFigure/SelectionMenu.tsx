import { useState } from 'react'
import type { Column, Notebook, PointNumbers, Row, RunRows } from '../../lib/api/types'
import type { Between } from '../../lib/relations/between'
import { pointsIn, type PickPoint, type Selection } from '../../lib/figure/selection'
import { unitBehind } from '../../lib/notebook/labels'
import { isThinned } from '../../lib/notebook/nearRows'
import { secondsIn } from '../../lib/timed/words'
import type { FigureCanvas } from '../figure'
import { NoteWords } from './NoteWords'
import { PlaceWords } from './PlaceWords'
import { RowWords } from './RowWords'
import { SelectionCard } from './SelectionCard'
import { SetAsideDialog } from './SetAsideDialog'
import { SpanWords } from './SpanWords'
import { useSetAside } from './useSetAside'

interface SelectionMenuProps {
  notebook: Notebook
  rows: RunRows
  points: readonly PickPoint[]
  x: Column
  /** Symbols of what is drawn along it. */
  ys: readonly string[]
  selection: Selection
  /** What makes a value along x one of its column again. */
  back: (value: number) => number
  canvas: FigureCanvas | null
  /** What the place that is picked comes to. */
  numbers: PointNumbers | null
  from: number | null
  onFrom: (from: number | null) => void
  onRelations: (between: Between) => void
  /** Another span is looked at, in the unit of the column. */
  onSpan: (from: number, to: number) => void
  onClear: () => void
}

/** What can be done with the span or the reading just picked, in words beside it. */
export function SelectionMenu(props: SelectionMenuProps) {
  const {
    notebook,
    rows,
    points,
    x,
    ys,
    selection,
    back,
    canvas,
    numbers,
    from,
    onFrom,
    onRelations,
    onSpan,
    onClear,
  } = props
  const { takeBack } = useSetAside(notebook, rows)
  const [asking, setAsking] = useState<readonly Row[] | null>(null)
  const rowOf = (id: number) => rows.rows.find((row) => row.id === id)
  const place = (
    <PlaceWords
      notebook={notebook}
      runId={rows.id}
      x={x}
      y={ys[0] ?? ''}
      numbers={numbers}
      height={selection.kind === 'place' ? selection.height : undefined}
      from={from}
      onFrom={onFrom}
      onKept={onClear}
    />
  )
  const own = notebook.columns.find(({ symbol }) => symbol === x.symbol)
  const picked = selection.kind === 'row' ? rowOf(selection.id) : undefined
  return (
    <>
      <SelectionCard selection={selection} points={points} canvas={canvas}>
        {selection.kind === 'span' ? (
          <SpanWords
            notebook={notebook}
            runId={rows.id}
            ys={ys}
            x={x}
            span={selection}
            back={back}
            readings={pointsIn(points, selection.from, selection.to).flatMap(({ id }) => rowOf(id) ?? [])}
            isThinned={isThinned(rows)}
            onSetAside={setAsking}
            onRelations={onRelations}
            onSpan={onSpan}
            onClear={onClear}
          />
        ) : selection.kind === 'place' ? (
          <>
            <p className="quiet">
              {Number(selection.at.toPrecision(5))} {unitBehind(x.unit, x.symbol)}
            </p>
            {place}
            {rows.timed === null || x.kind !== 'time' ? null : (
              <NoteWords
                experimentId={notebook.id}
                runId={rows.id}
                where={{ at: back(selection.at) * secondsIn(own?.unit ?? 's') }}
                notes={[]}
              />
            )}
            <button type="button" className="word-button font-normal!" onClick={onClear}>
              clear
            </button>
          </>
        ) : picked === undefined ? (
          <p className="quiet">
            a point of another run{' '}
            <button type="button" className="word-button" onClick={onClear}>
              clear
            </button>
          </p>
        ) : (
          <RowWords
            notebook={notebook}
            rows={rows}
            row={picked}
            onSetAside={setAsking}
            onTakeBack={takeBack}
            onClear={onClear}
          >
            {picked.setAside === null ? place : null}
          </RowWords>
        )}
      </SelectionCard>
      {asking !== null ? (
        <SetAsideDialog
          notebook={notebook}
          rows={rows}
          readings={asking}
          within={
            // Of a long run only some rows are known here.
            selection.kind === 'span' && isThinned(rows)
              ? { columnId: x.id, from: back(selection.from), to: back(selection.to) }
              : null
          }
          onClose={() => {
            setAsking(null)
            onClear()
          }}
        />
      ) : null}
    </>
  )
}
