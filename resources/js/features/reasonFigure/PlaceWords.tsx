import type { Column, Notebook, PointNumbers } from '../../lib/api/types'
import { pointRows } from '../../lib/figure/pointRows'
import { typeset } from '../../lib/format'
import { unitBehind } from '../../lib/notebook/labels'
import { ProblemNote } from '../../ui/ProblemNote'
import { useLines } from '../notebook'
import { IntoRuns } from './IntoRuns'
import { NumberRows } from './NumberRows'

interface PlaceWordsProps {
  notebook: Notebook
  runId: number
  x: Column
  y: string
  numbers: PointNumbers | null
  /** How high it was pressed, in the unit of y. */
  height?: number | undefined
  /** Where a change is told from; null for no such place. */
  from: number | null
  onFrom: (from: number | null) => void
  onKept: () => void
}

/** What a place along x comes to; a word that is pressed keeps its number as a line. */
export function PlaceWords({ notebook, runId, x, y, numbers, height, from, onFrom, onKept }: PlaceWordsProps) {
  const { add } = useLines(notebook.id)
  const column = notebook.columns.find(({ symbol }) => symbol === x.symbol) ?? x
  if (numbers === null) return null
  const { at } = numbers
  const shown = (value: number) => `${Number(value.toPrecision(5))} ${unitBehind(column.unit, column.symbol)}`.trim()
  const typed = (value: number) => ({ value, uncertainty: 0, unit: column.unit })
  const upwards = notebook.columns.find(({ symbol }) => symbol === y)
  const shownHeight =
    `${typeset(String(Number((height ?? 0).toPrecision(5))))} ${unitBehind(upwards?.unit ?? '', y)}`.trim()
  const titles: Record<string, string> = {
    'value-at': `${y} at ${shown(at)}`,
    tangent: `Tangent of ${y} at ${shown(at)}`,
    'x-at': `${column.symbol} where ${y} is ${shownHeight}`,
    difference: `Change of ${y} from ${shown(from ?? 0)} to ${shown(at)}`,
  }
  return (
    <>
      <NumberRows
        label="Numbers of the place"
        rows={pointRows(numbers, shownHeight)}
        isPending={add.isPending}
        onKeep={({ method }) => {
          add.act(
            {
              method,
              title: titles[method] ?? method,
              isPerRun: true,
              uses: { x: x.symbol, y },
              numbers:
                method === 'difference'
                  ? { from: typed(from ?? 0), to: typed(at) }
                  : method === 'x-at'
                    ? { value: { value: height ?? 0, uncertainty: 0, unit: upwards?.unit ?? '' } }
                    : { at: typed(at) },
            },
            onKept,
          )
        }}
      />
      <p>
        <button
          type="button"
          className="word-button"
          onClick={() => {
            onFrom(from === null || from !== at ? at : null)
          }}
        >
          {from === at ? 'no change from here' : 'change from here'}
        </button>
        {from === null || from === at ? null : <span className="quiet"> · from {shown(from)}</span>}
      </p>
      {from === null || from === at ? null : (
        <IntoRuns notebook={notebook} runId={runId} value={Math.abs(at - from)} unit={column.unit} onDone={onKept} />
      )}
      <ProblemNote problem={add.error} />
    </>
  )
}
