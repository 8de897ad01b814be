import type { Figure, Notebook } from '../../lib/api/types'
import { swapped } from '../../lib/figure/axisUnits'
import { ProblemNote } from '../../ui/ProblemNote'
import { useFigures } from '../notebook'

/** What may be the wrong way round in a figure, with the word that turns it. */
export function FigureDoubt({ notebook, figure }: { notebook: Notebook; figure: Figure | undefined }) {
  const { change } = useFigures(notebook.id)
  if (figure?.doubt == null) return null
  const other = swapped(figure)
  return (
    <div className="basis-full">
      <p role="status">
        <span className="amber font-semibold">{figure.doubt}</span>{' '}
        {other === null ? null : (
          <button
            type="button"
            className="word-button"
            disabled={change.isPending}
            onClick={() => {
              change.act({ figure: figure.id, ...other })
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
