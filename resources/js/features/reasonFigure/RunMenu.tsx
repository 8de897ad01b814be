import { useState } from 'react'
import type { Column, Notebook } from '../../lib/api/types'
import type { FigureInput } from '../../lib/figure/drawn'
import type { PickPoint, Selection } from '../../lib/figure/selection'
import { unitBehind } from '../../lib/notebook/labels'
import type { FigureCanvas } from '../figure'
import { useRunActions } from '../notebook'
import { RunAsideDialog } from '../runs'
import { SelectionCard } from './SelectionCard'

interface RunMenuProps {
  notebook: Notebook
  input: FigureInput
  points: readonly PickPoint[]
  selection: Selection
  canvas: FigureCanvas | null
  onRun: (id: number) => void
  onClear: () => void
}

/** What can be done with the run that was picked on a figure of the runs. */
export function RunMenu({ notebook, input, points, selection, canvas, onRun, onClear }: RunMenuProps) {
  const [isAsking, setIsAsking] = useState(false)
  const id = selection.kind === 'row' ? selection.id : 0
  const { change } = useRunActions(id, notebook.id)
  const run = notebook.runs.find((one) => one.id === id)
  const row = input.runs.flatMap(({ rows }) => rows).find((one) => one.id === id)
  if (run === undefined || row === undefined) return null
  const told = ({ symbol, unit }: Column) => {
    const cell = row.cells[symbol]
    return cell == null ? `no ${symbol}` : `${symbol} ${cell.shown} ${unitBehind(unit, symbol)}`.trim()
  }
  return (
    <>
      <SelectionCard selection={selection} points={points} canvas={canvas}>
        <p className="quiet">
          {run.name} · {[input.x, ...input.panels.flat()].map(told).join(' · ')}
        </p>
        {run.aside === null ? null : <p className="quiet">set aside: {run.aside}</p>}
        <p className="flex gap-x-4">
          <button
            type="button"
            className="word-button"
            onClick={() => {
              if (run.aside === null) setIsAsking(true)
              else change.act({ aside: null })
            }}
          >
            {run.aside === null ? 'set aside' : 'take back'}
          </button>
          <button
            type="button"
            className="word-button"
            onClick={() => {
              onRun(run.id)
            }}
          >
            its rows
          </button>
          <button type="button" className="word-button font-normal!" onClick={onClear}>
            clear
          </button>
        </p>
      </SelectionCard>
      {isAsking ? (
        <RunAsideDialog
          notebook={notebook}
          run={run}
          onClose={() => {
            setIsAsking(false)
          }}
        />
      ) : null}
    </>
  )
}
