import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { answerOf, api } from '../../lib/api/client'
import type { Line, Notebook, RunRows, WorkedLine } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { rowsAt } from '../../lib/notebook/rowsAt'
import { unitText } from '../../lib/notebook/labels'
import { betweenText } from '../../lib/relations/between'
import { pictureOf, strokesOf } from '../../lib/relations/picture'
import { GoodnessWords } from '../../ui/GoodnessWords'
import { SetAsideDialog } from '../reasonFigure'

const SIZE = { width: 340, height: 56 }
const ROOM = { left: 4, right: 336, top: 0, bottom: SIZE.height }

interface LineGoodnessProps {
  notebook: Notebook
  line: Line
  worked: WorkedLine
  /** Of the run in hand. */
  rows: RunRows
}

/** How well the curve of a line describes its points, with a picture of what it leaves over. */
export function LineGoodness({ notebook, line, worked, rows }: LineGoodnessProps) {
  const [asking, setAsking] = useState(false)
  const { data } = useQuery({
    queryKey: ['residuals', line.id, worked.runId, notebook.revision],
    queryFn: ({ signal }) =>
      answerOf(
        api.GET('/api/experiments/{experiment}/lines/{line}/residuals', {
          params: {
            path: { experiment: notebook.id, line: line.id },
            query: worked.runId === null ? {} : { run: worked.runId },
          },
          signal,
        }),
      ),
  })
  const { goodness } = worked
  if (goodness === null) return null
  const span = notebook.spans.find(({ id }) => id === line.spanId)
  const { x, y } = line.uses
  const middle = SIZE.height / 2
  const far = x === undefined || y === undefined ? [] : rowsAt(rows, x, y, notebook.columns, goodness.far)
  return (
    <div className="mt-1">
      <p>
        <GoodnessWords goodness={goodness} />
      </p>
      {goodness.origin === '' ? null : <p>{unitText(goodness.origin)}</p>}
      {data === undefined || data.x.length === 0 ? null : (
        <svg
          viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
          className="my-1 w-full"
          role="img"
          aria-label={`What ${line.shownTitle} leaves over along x: ${goodness.verdict}`}
        >
          <path d={`M0 ${middle}H${SIZE.width}`} stroke="var(--grid)" />
          <path
            d={strokesOf(data.x, data.residuals, pictureOf(data.x, [0, 1], ROOM).across, middle, middle - 4)}
            stroke="var(--run-2)"
            strokeWidth={data.x.length > 60 ? 1 : 3}
          />
        </svg>
      )}
      {far.length === 0 ? null : (
        <p>
          {countOf(far.length, 'point')} {far.length === 1 ? 'lies' : 'lie'} more than 3 standard deviations of the
          others from it.{' '}
          <button
            type="button"
            className="word-button"
            onClick={() => {
              setAsking(true)
            }}
          >
            set {far.length === 1 ? 'it' : 'them'} aside …
          </button>
        </p>
      )}
      {asking ? (
        <SetAsideDialog
          notebook={notebook}
          rows={rows}
          readings={far}
          onClose={() => {
            setAsking(false)
          }}
        />
      ) : null}
      {x === undefined || y === undefined || worked.runId === null ? null : (
        <Link
          className="word-button"
          to={`?run=${worked.runId}&relations=${betweenText({ x, y, ...(span === undefined ? {} : { from: span.from, to: span.to }) })}`}
        >
          other relations …
        </Link>
      )}
    </div>
  )
}
