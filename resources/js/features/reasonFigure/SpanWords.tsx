import { useState } from 'react'
import type { Column, Notebook, Row } from '../../lib/api/types'
import type { Between } from '../../lib/relations/between'
import { circled, countOf, fixed } from '../../lib/format'
import { namedSpans, nameOf, spanAt } from '../../lib/figure/spans'
import { unitBehind } from '../../lib/notebook/labels'
import { ProblemNote } from '../../ui/ProblemNote'
import { WordSelect } from '../../ui/WordSelect'
import { useLines, useSpans } from '../notebook'
import { NameSpan } from './NameSpan'
import { OtherSpans } from './OtherSpans'
import { SpanNumbers } from './SpanNumbers'

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
  /** The relation over the span is looked for. */
  onRelations: (between: Between) => void
  /** Another span is looked at, in the unit of the column. */
  onSpan: (from: number, to: number) => void
  onClear: () => void
}

/** What a span comes to, and what can be done with it. */
export function SpanWords({
  notebook,
  runId,
  ys,
  x,
  span,
  back,
  readings,
  isThinned,
  onSetAside,
  onRelations,
  onSpan,
  onClear,
}: SpanWordsProps) {
  const { add, change } = useLines(notebook.id)
  const spans = useSpans(notebook.id)
  const run = notebook.runs.find(({ id }) => id === runId)
  const [y, setY] = useState(ys[0] ?? '')
  const of = ys.includes(y) ? y : (ys[0] ?? '')
  const round = (value: number) => Number(value.toPrecision(6))
  const spanTold = {
    columnId: x.id,
    name: `span ${notebook.spans.length + 1}`,
    from: round(back(span.from)),
    to: round(back(span.to)),
  }
  // One that is there already is shared, not made again.
  const known = spanAt(notebook.spans, x.id, spanTold.from, spanTold.to)
  const asked = known === undefined ? { span: spanTold } : { spanId: known.id }
  const name = known === undefined ? '' : nameOf(known)
  const others = namedSpans(notebook.spans, x.id).filter(({ id }) => id !== known?.id)
  // Lines that work along this very column can be told to look here.
  const along = notebook.lines.filter(({ uses }) => uses.x === x.symbol)
  const unit = unitBehind(x.unit, x.symbol)
  const shown = (value: number) =>
    x.decimals === null ? Number(value.toPrecision(5)).toString() : fixed(value, x.decimals)
  return (
    <>
      <p className="quiet">
        {name === '' ? '' : `“${name}” · `}
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
              ...asked,
            },
            onClear,
          )
        }}
      />
      <div className="flex flex-wrap gap-x-4">
        <NameSpan
          name={name}
          isPending={spans.add.isPending || spans.rename.isPending}
          onName={(said) => {
            if (known === undefined) spans.add.act({ ...spanTold, name: said })
            else spans.rename.act({ span: known.id, name: said })
          }}
        />
        {along.map((line) => (
          <button
            key={line.id}
            type="button"
            className="word-button"
            title={line.shownTitle}
            disabled={change.isPending}
            onClick={() => {
              change.act({ line: line.id, ...asked }, onClear)
            }}
          >
            {circled(notebook.lines.indexOf(line) + 1)} here
          </button>
        ))}
        <button
          type="button"
          className="word-button"
          onClick={() => {
            onRelations({ x: x.symbol, y: of, from: spanTold.from, to: spanTold.to })
          }}
        >
          relations …
        </button>
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
      </div>
      <OtherSpans
        others={others}
        known={known}
        run={run}
        isPending={spans.place.isPending}
        onLook={onSpan}
        onPlace={(span, inRun) => {
          const ends = { from: spanTold.from, to: spanTold.to }
          spans.place.act({ span, ...ends, ...(inRun === undefined ? {} : { inRun }) })
        }}
        onJoin={(span, inRun) => {
          spans.place.act({ span, inRun }, onClear)
        }}
      />
      <ProblemNote problem={add.error ?? change.error ?? spans.add.error ?? spans.rename.error ?? spans.place.error} />
    </>
  )
}
