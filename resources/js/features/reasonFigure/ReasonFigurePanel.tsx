import { useCallback, useMemo, useState, type KeyboardEvent } from 'react'
import type { Notebook, RunRows, RunSummary, WorkedLine } from '../../lib/api/types'
import type { Between } from '../../lib/relations/between'
import { selectionInUnits, shownAlong } from '../../lib/figure/axisUnits'
import { pickPoints } from '../../lib/figure/drawn'
import { summaryOf } from '../../lib/figure/summary'
import { movePick, NOTHING, placeOf, spanBetween, stretchSpan, type Selection } from '../../lib/figure/selection'
import { NotebookFigure, type FigureCanvas } from '../figure'
import { AxesCard } from './AxesCard'
import { FigureDoubt } from './FigureDoubt'
import { FigureFoot } from './FigureFoot'
import { FigureHeader } from './FigureHeader'
import { withMarks } from './figureInput'
import { NoFigure } from './NoFigure'
import { RunMenu } from './RunMenu'
import { SelectionMenu } from './SelectionMenu'
import { useDrawing } from './useDrawing'
import { useFigureShown } from './useFigureShown'
import { usePlaceNumbers } from './usePlaceNumbers'
import { useSpanGesture } from './useSpanGesture'

/** Beside its card the figure stays high enough to see what a change does. */
const WITH_CARD = { panel: 'lg:overflow-y-auto', figure: 'lg:min-h-60' }
const ALONE = { panel: '', figure: 'lg:min-h-0' }

interface ReasonFigurePanelProps {
  notebook: Notebook
  worked: readonly WorkedLine[]
  run: RunSummary
  rows: RunRows
  /** Whether the figure that was made last is to be shown. */
  isNewestFirst?: boolean
  selection: Selection
  onSelect: (selection: Selection) => void
  onRun: (runId: number) => void
  /** Two columns, by symbol, are to be looked at in other ways. */
  onStraighten: (x: string, y: string) => void
  /** The relation between two columns, or over a span of them, is looked for. */
  onRelations: (between: Between) => void
}

export function ReasonFigurePanel({
  notebook,
  worked,
  run,
  rows,
  isNewestFirst = false,
  selection,
  onSelect,
  onRun,
  onStraighten,
  onRelations,
}: ReasonFigurePanelProps) {
  const [canvas, setCanvas] = useState<FigureCanvas | null>(null)
  const [figure, setPlace] = useFigureShown(notebook, isNewestFirst)
  const [areAxesShown, setAreAxesShown] = useState(false)
  const [shown, setShown] = useState<number[]>([])
  const {
    input,
    along,
    watch,
    isRuns,
    rows: drawnRows,
    drawnFrom,
    caption,
    plain,
  } = useDrawing({
    notebook,
    figure,
    worked,
    run,
    rows,
    shown,
    selection,
  })
  const upwards = useMemo(() => shownAlong(figure?.panels[0]?.axis, figure?.panels[0]?.y[0] ?? ''), [figure])
  const shownSelection = selectionInUnits(selection, along.to)
  const handleSelect = useCallback(
    (chosen: Selection) => {
      // Of a figure of the runs single ones are picked.
      if (!isRuns || chosen.kind !== 'span') onSelect(selectionInUnits(chosen, along.back, upwards.back))
    },
    [onSelect, along, upwards, isRuns],
  )
  const points = useMemo(() => (input === null ? [] : pickPoints(input)), [input])
  const [isFollowing, setIsFollowing] = useState(false)
  const at = isRuns || input?.x.isWords === true ? null : placeOf(points, shownSelection)
  const { numbers, from, setFrom } = usePlaceNumbers({
    runId: run.id,
    revision: notebook.revision,
    figure,
    at: at === null ? null : along.back(at),
    selection,
  })
  const drawn = useMemo(
    () =>
      input === null || numbers === null || figure === undefined ? input : withMarks(input, figure, numbers.marks),
    [input, figure, numbers],
  )
  const handleReady = useCallback(
    (made: FigureCanvas | null) => {
      setCanvas(made)
      watch(made)
    },
    [watch],
  )
  useSpanGesture(canvas, input?.panels.length ?? 0, points, handleSelect, {
    onLeave: isFollowing
      ? () => {
          setIsFollowing(false)
        }
      : null,
    // The second of two places is one, too.
    isPlaceMeant: !isRuns && input?.x.isWords !== true && (selection.kind === 'none' || from !== null),
    onAxis: () => {
      setAreAxesShown(true)
    },
  })

  function handleKeyDown(event: KeyboardEvent) {
    if (event.target !== event.currentTarget) return
    if (event.key === 'Escape') {
      onSelect(NOTHING)
      setIsFollowing(false)
    }
    if (canvas?.view.key(event.key) === true) event.preventDefault()
    if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return
    event.preventDefault()
    const movement = event.key === 'ArrowRight' ? 'on' : 'back'
    const chosen = event.shiftKey
      ? stretchSpan(points, shownSelection, movement)
      : movePick(points, shownSelection, movement)
    handleSelect(chosen)
    // What keys reach is seen.
    const reached = chosen.kind === 'span' ? chosen.head : placeOf(points, chosen)
    if (reached !== null) canvas?.view.reveal(reached)
  }

  const summary = useMemo(() => (input === null ? '' : summaryOf(input, caption)), [input, caption])
  const room = areAxesShown ? WITH_CARD : ALONE
  return (
    <section className={`panel flex min-h-[28rem] min-w-0 flex-col p-4 ${room.panel}`} aria-labelledby="figure-title">
      <FigureHeader
        notebook={notebook}
        drawnFrom={drawnFrom}
        figure={figure}
        isRuns={isRuns}
        run={run}
        shown={shown}
        canvas={canvas}
        areAxesShown={areAxesShown}
        isFollowing={isFollowing}
        onPlace={(chosen) => {
          setPlace(chosen)
          onSelect(NOTHING)
        }}
        onShow={setShown}
        onRun={onRun}
        onAxes={() => {
          setAreAxesShown(!areAxesShown)
        }}
        onFollow={() => {
          setIsFollowing(!isFollowing)
          if (isFollowing) onSelect(NOTHING)
        }}
        onStraighten={onStraighten}
        onRelations={onRelations}
      />
      {figure === undefined || !areAxesShown ? null : (
        <AxesCard
          notebook={drawnFrom}
          figure={figure}
          isRuns={isRuns}
          seen={() => canvas?.seen ?? null}
          onClose={() => {
            setAreAxesShown(false)
          }}
        />
      )}
      {input === null ? (
        <NoFigure notebook={notebook} />
      ) : (
        <div
          className={`relative h-96 shrink-0 rounded-md select-none lg:h-auto lg:flex-1 ${room.figure}`}
          tabIndex={0}
          role="group"
          aria-label="Figure: arrow keys pick a reading, Shift with arrow keys stretches a span, plus and minus draw nearer and further, Page Up and Page Down move along it, Escape clears"
          onKeyDown={handleKeyDown}
        >
          <NotebookFigure
            // What was seen of another figure, or along other axes, is nothing of this one.
            key={JSON.stringify([figure?.id, figure?.x, figure?.axis, figure?.panels])}
            input={drawn ?? input}
            summary={summary}
            isMovable
            onReady={handleReady}
            className="cursor-crosshair"
          />
          {isRuns ? (
            <RunMenu
              notebook={notebook}
              input={input}
              points={points}
              selection={shownSelection}
              canvas={canvas}
              onRun={(id) => {
                setPlace(0)
                onRun(id)
              }}
              onClear={() => {
                onSelect(NOTHING)
              }}
            />
          ) : (
            <SelectionMenu
              notebook={notebook}
              rows={drawnRows}
              points={points}
              x={input.x}
              ys={figure?.panels.flatMap((panel) => [...panel.y, ...panel.right]) ?? []}
              selection={shownSelection}
              back={along.back}
              canvas={canvas}
              numbers={numbers}
              from={from}
              onFrom={setFrom}
              onRelations={onRelations}
              onSpan={(first, last) => {
                onSelect(spanBetween(first, last))
              }}
              onClear={() => {
                onSelect(NOTHING)
              }}
            />
          )}
        </div>
      )}
      <FigureFoot
        caption={caption}
        name={`${notebook.title} ${run.number}`}
        title={figure?.shownTitle ?? ''}
        input={input}
        plain={plain}
      >
        {figure === undefined ? null : <FigureDoubt notebook={notebook} figure={figure} />}
      </FigureFoot>
    </section>
  )
}
