import type { Notebook } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { useFigures } from '../notebook'

/** Where nothing is drawn yet: two columns are enough for a figure. */
export function NoFigure({ notebook }: { notebook: Notebook }) {
  const { add } = useFigures(notebook.id)
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const y = notebook.columns.find(({ kind }) => kind === 'measured' || kind === 'derived')
  return (
    <div className="flex flex-1 flex-col items-center justify-center gap-3 p-8 text-center">
      <p className="quiet">Nothing is drawn yet.</p>
      {step === undefined || y === undefined ? (
        <p className="quiet">Add two columns under “columns and entries”, and they can be drawn here.</p>
      ) : (
        <button
          type="button"
          className="btn btn-primary"
          disabled={add.isPending}
          onClick={() => {
            add.act({ title: `${y.symbol} against ${step.symbol}`, x: step.symbol, panels: [{ y: [y.symbol] }] })
          }}
        >
          Draw {y.symbol} against {step.symbol}
        </button>
      )}
      <ProblemNote problem={add.error} />
    </div>
  )
}
