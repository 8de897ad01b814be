import type { Figure, Notebook } from '../../lib/api/types'
import { swapped } from '../../lib/figure/axisUnits'
import { ProblemNote } from '../../ui/ProblemNote'
import { useFigureChange } from '../notebook'

/** What may be the wrong way round in a figure, with the word that turns it. */
export function FigureDoubt({ notebook, figure }: { notebook: Notebook; figure: Figure }) {
  const change = useFigureChange(notebook, figure)
  if (figure.doubt === null) return null
  return (
    <div className="basis-full">
      <p role="status">
        <span className="amber font-semibold">{figure.doubt}</span>{' '}
        {swapped(figure) === null ? null : (
          <button
            type="button"
            className="word-button"
            disabled={change.isPending}
            onClick={() => {
              change.ask((now) => swapped(now) ?? {}).catch(() => undefined)
            }}
          >
            swap x and y
          </button>
        )}
      </p>
      <ProblemNote problem={change.error} />
    </div>
  )
}
