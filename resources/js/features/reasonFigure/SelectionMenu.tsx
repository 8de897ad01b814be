import { useState, type ReactNode } from 'react'
import type { Column, Notebook, PointNumbers, Row, RunRows } from '../../lib/api/types'
import { pointsIn, type PickPoint, type Selection } from '../../lib/figure/selection'
import { circled, countOf, fixed } from '../../lib/format'
import { cellText, rowName, unitBehind } from '../../lib/notebook/labels'
import { isThinned } from '../../lib/notebook/nearRows'
import { ProblemNote } from '../../ui/ProblemNote'
import { WordSelect } from '../../ui/WordSelect'
import type { FigureCanvas } from '../figure'
import { useLines } from '../notebook'
import { PlaceWords } from './PlaceWords'
import { SelectionCard } from './SelectionCard'
import { SetAsideDialog } from './SetAsideDialog'
import { SpanNumbers } from './SpanNumbers'
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
  onClear: () => void
}

/** What can be done with the span or the reading just picked, in words beside it. */
export function SelectionMenu(props: SelectionMenuProps) {
  const { notebook, rows, points, x, ys, selection, back, canvas, numbers, from, onFrom, onClear } = props
  const { takeBack } = useSetAside(notebook, rows)
  const [asking, setAsking] = useState<readonly Row[] | null>(null)
  const rowOf = (id: number) => rows.rows.find((row) => row.id === id)
  const place = (
    <PlaceWords
      notebook={notebook}
      x={x}
      y={ys[0] ?? ''}
      numbers={numbers}
      from={from}
      onFrom={onFrom}
      onKept={onClear}
    />
  )
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
            onClear={onClear}
          />
        ) : selection.kind === 'place' ? (
          <>
            <p className="quiet">
              {Number(selection.at.toPrecision(5))} {unitBehind(x.unit, x.symbol)}
            </p>
            {place}
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
          <RowWords notebook={notebook} row={picked} onSetAside={setAsking} onTakeBack={takeBack} onClear={onClear}>
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

interface SpanWordsProps {
  notebook: Notebook
  runId: number
  /** Symbols of what is drawn along x. */
  ys: readonly string[]
  x: Column
  span: { from: number; to: number }
  back: (value: number) => number
  readings: readonly Row[]
  /** Whether there are more rows than are known here. */
  isThinned: boolean
  onSetAside: (readings: readonly Row[]) => void
  onClear: () => void
}

function SpanWords({ notebook, runId, ys, x, span, back, readings, isThinned, onSetAside, onClear }: SpanWordsProps) {
  const { add, change } = useLines(notebook.id)
  const [y, setY] = useState(ys[0] ?? '')
  const of = ys.includes(y) ? y : (ys[0] ?? '')
  const round = (value: number) => Number(value.toPrecision(6))
  const spanTold = {
    columnId: x.id,
    name: `span ${notebook.spans.length + 1}`,
    from: round(back(span.from)),
    to: round(back(span.to)),
  }
  // Lines that work along this very column can be told to look here.
  const along = notebook.lines.filter(({ uses }) => uses.x === x.symbol)
  const unit = unitBehind(x.unit, x.symbol)
  const shown = (value: number) =>
    x.decimals === null ? Number(value.toPrecision(5)).toString() : fixed(value, x.decimals)
  return (
    <>
      <p className="quiet">
        {shown(span.from)} to {shown(span.to)} {unit} ·{' '}
        {isThinned ? `${countOf(readings.length, 'point')} of those drawn` : countOf(readings.length, 'reading')}
        {ys.length > 1 ? (
          <>
            {' '}
            · of <WordSelect label="Column the numbers are of" value={of} options={ys} onChange={setY} />
          </>
        ) : null}
      </p>
      <SpanNumbers
        notebook={notebook}
        runId={runId}
        x={x.symbol}
        y={of}
        from={spanTold.from}
        to={spanTold.to}
        isPending={add.isPending}
        onKeep={({ method, title, texts }) => {
          add.act(
            {
              method,
              title,
              isPerRun: true,
              uses: method === 'statistics' ? { column: of } : { x: x.symbol, y: of },
              ...(Object.keys(texts).length === 0 ? {} : { texts }),
              span: spanTold,
            },
            onClear,
          )
        }}
      />
      <p className="flex flex-wrap gap-x-4">
        {along.map((line) => (
          <button
            key={line.id}
            type="button"
            className="word-button"
            title={line.shownTitle}
            disabled={change.isPending}
            onClick={() => {
              change.act({ line: line.id, span: spanTold }, onClear)
            }}
          >
            {circled(notebook.lines.indexOf(line) + 1)} here
          </button>
        ))}
        <button
          type="button"
          className="word-button"
          disabled={readings.length === 0}
          onClick={() => {
            onSetAside(readings)
          }}
        >
          set aside
        </button>
        <button type="button" className="word-button font-normal!" onClick={onClear}>
          clear
        </button>
      </p>
      <ProblemNote problem={add.error ?? change.error} />
    </>
  )
}

interface RowWordsProps {
  notebook: Notebook
  row: Row
  onSetAside: (readings: readonly Row[]) => void
  onTakeBack: (reading: Row) => void
  onClear: () => void
  children: ReactNode
}

function RowWords({ notebook, row, onSetAside, onTakeBack, onClear, children }: RowWordsProps) {
  const isAside = row.setAside !== null
  const told = (notebook.figures[0]?.panels[0]?.y ?? []).flatMap(
    (symbol) => notebook.columns.find((one) => one.symbol === symbol) ?? [],
  )
  return (
    <>
      <p className="quiet">
        {rowName(row, notebook.columns)} ·{' '}
        {told
          .map((column) => {
            const cell = row.cells[column.symbol]
            const error = cell == null || cell.uncertainty === 0 ? '' : ` ± ${Number(cell.uncertainty.toPrecision(2))}`
            return `${column.symbol} ${cellText(row, { ...column, decimals: null })}${error} ${unitBehind(column.unit, column.symbol)}`.trim()
          })
          .join(' · ')}
        {row.wasSteady ? '' : ' · not steady'}
      </p>
      {isAside ? <p className="quiet">set aside: {row.setAside}</p> : null}
      {children}
      <p className="flex gap-x-4">
        <button
          type="button"
          className="word-button"
          onClick={() => {
            if (isAside) onTakeBack(row)
            else onSetAside([row])
          }}
        >
          {isAside ? 'take back' : 'set aside'}
        </button>
        <button type="button" className="word-button" onClick={onClear}>
          clear
        </button>
      </p>
    </>
  )
}
