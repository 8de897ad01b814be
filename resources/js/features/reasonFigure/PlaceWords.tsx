import type { Column, Notebook, PointNumbers } from '../../lib/api/types'
import { pointRows } from '../../lib/figure/pointRows'
import { unitBehind } from '../../lib/notebook/labels'
import { ProblemNote } from '../../ui/ProblemNote'
import { useLines } from '../notebook'
import { NumberRows } from './NumberRows'

interface PlaceWordsProps {
  notebook: Notebook
  x: Column
  y: string
  numbers: PointNumbers | null
  /** Where a change is told from; null for no such place. */
  from: number | null
  onFrom: (from: number | null) => void
  onKept: () => void
}

/** What a place along x comes to; a word that is pressed keeps its number as a line. */
export function PlaceWords({ notebook, x, y, numbers, from, onFrom, onKept }: PlaceWordsProps) {
  const { add } = useLines(notebook.id)
  const column = notebook.columns.find(({ symbol }) => symbol === x.symbol) ?? x
  if (numbers === null) return null
  const { at } = numbers
  const shown = (value: number) => `${Number(value.toPrecision(5))} ${unitBehind(column.unit, column.symbol)}`.trim()
  const typed = (value: number) => ({ value, uncertainty: 0, unit: column.unit })
  const titles: Record<string, string> = {
    'value-at': `${y} at ${shown(at)}`,
    tangent: `Tangent of ${y} at ${shown(at)}`,
    difference: `Change of ${y} from ${shown(from ?? 0)} to ${shown(at)}`,
  }
  return (
    <>
      <NumberRows
        label="Numbers of the place"
        rows={pointRows(numbers)}
        isPending={add.isPending}
        onKeep={({ method }) => {
          add.act(
            {
              method,
              title: titles[method] ?? method,
              isPerRun: true,
              uses: { x: x.symbol, y },
              numbers: method === 'difference' ? { from: typed(from ?? 0), to: typed(at) } : { at: typed(at) },
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
      <ProblemNote problem={add.error} />
    </>
  )
}
