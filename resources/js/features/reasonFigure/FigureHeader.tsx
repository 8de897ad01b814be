import type { Figure, Notebook, RunSummary } from '../../lib/api/types'
import type { Between } from '../../lib/relations/between'
import { hasRows } from '../../lib/notebook/runs'
import { FitView, type FigureCanvas } from '../figure'
import { FigureTitle } from './FigureTitle'
import { FigureWords } from './FigureWords'
import { RunsMenu } from './RunsMenu'

interface FigureHeaderProps {
  notebook: Notebook
  /** The notebook with the columns the figure can draw. */
  drawnFrom: Notebook
  figure: Figure | undefined
  /** Whether it draws the runs, not their rows. */
  isRuns: boolean
  run: RunSummary
  shown: readonly number[]
  canvas: FigureCanvas | null
  areAxesShown: boolean
  /** Whether a tangent follows the pointer. */
  isFollowing: boolean
  onPlace: (place: number) => void
  onShow: (ids: number[]) => void
  onRun: (id: number) => void
  onAxes: () => void
  onFollow: () => void
  /** Two columns, by symbol, are to be looked at in other ways. */
  onStraighten: (x: string, y: string) => void
  onRelations: (between: Between) => void
}

/** What is drawn, in words that are pressed to change it, and what can be done with all of it. */
export function FigureHeader(props: FigureHeaderProps) {
  const { notebook, drawnFrom, figure, isRuns, run, shown, canvas, areAxesShown, isFollowing } = props
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <FigureTitle key={figure?.id} experiment={notebook.id} figure={figure} />
      {notebook.figures.length > 1 ? (
        <span className="flex gap-1 text-sm" role="group" aria-label="Figures">
          {notebook.figures.map((one, index) => (
            <button
              key={one.id}
              type="button"
              className={`rounded px-1.5 ${one.id === figure?.id ? 'bg-base-300 font-semibold' : 'word-button'}`}
              aria-pressed={one.id === figure?.id}
              title={one.shownTitle}
              onClick={() => {
                props.onPlace(index)
              }}
            >
              {index + 1}
            </button>
          ))}
        </span>
      ) : null}
      <span className="flex-1" />
      {figure === undefined ? null : (
        <>
          <FigureWords notebook={drawnFrom} figure={figure} />
          <button
            type="button"
            className="word-button text-sm font-normal!"
            aria-expanded={areAxesShown}
            onClick={props.onAxes}
          >
            Axes …
          </button>
        </>
      )}
      {figure === undefined ? null : (
        <>
          <button
            type="button"
            className="word-button text-sm font-normal!"
            onClick={() => {
              props.onStraighten(figure.x, figure.panels[0]?.y[0] ?? '')
            }}
          >
            straighten …
          </button>
          <button
            type="button"
            className="word-button text-sm font-normal!"
            onClick={() => {
              props.onRelations({ x: figure.x, y: figure.panels[0]?.y[0] ?? '' })
            }}
          >
            relations …
          </button>
          {isRuns ? null : (
            <button
              type="button"
              className="word-button text-sm font-normal!"
              aria-pressed={isFollowing}
              title="A tangent follows the pointer; a click leaves it there"
              onClick={props.onFollow}
            >
              {isFollowing ? 'tangent: follows' : 'tangent'}
            </button>
          )}
        </>
      )}
      {isRuns ? null : (
        <RunsMenu
          runs={notebook.runs.filter(hasRows)}
          current={run.id}
          shown={shown}
          onRun={props.onRun}
          onShow={props.onShow}
        />
      )}
      <FitView canvas={canvas} />
    </div>
  )
}
