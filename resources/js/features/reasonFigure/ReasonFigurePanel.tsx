import { useQueries } from '@tanstack/react-query'
import { useCallback, useMemo, useState, type KeyboardEvent } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Notebook, RunRows, RunSummary, WorkedLine } from '../../lib/api/types'
import { selectionInUnits, shownAlong } from '../../lib/figure/axisUnits'
import { paperInk } from '../../lib/figure/ink'
import { beyondAxes, pickPoints } from '../../lib/figure/drawn'
import { notebookFigure } from '../../lib/figure/notebookFigure'
import { movePick, NOTHING, placeOf, stretchSpan, type Selection } from '../../lib/figure/selection'
import { columnHead } from '../../lib/notebook/labels'
import { hasRows } from '../../lib/notebook/runs'
import { useRunsTable } from '../notebook'
import { download, FitView, NotebookFigure, PICTURE_ROOM, pictureOf, useLookedAt, type FigureCanvas } from '../figure'
import { AxesCard } from './AxesCard'
import { captionOf } from './caption'
import { figureInput, withMarks } from './figureInput'
import { FigureTitle } from './FigureTitle'
import { FigureWords } from './FigureWords'
import { NoFigure } from './NoFigure'
import { RunMenu } from './RunMenu'
import { isOfRuns, runsCaption, runsColumns, runsInput } from './runsInput'
import { RunsMenu } from './RunsMenu'
import { SelectionMenu } from './SelectionMenu'
import { useNear } from './useNear'
import { usePointNumbers } from './usePointNumbers'
import { useSpanGesture } from './useSpanGesture'

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
}: ReasonFigurePanelProps) {
  const [canvas, setCanvas] = useState<FigureCanvas | null>(null)
  const [place, setPlace] = useState(isNewestFirst ? Infinity : 0)
  const [wasNewest, setWasNewest] = useState(isNewestFirst)
  if (wasNewest !== isNewestFirst) {
    setWasNewest(isNewestFirst)
    if (isNewestFirst) setPlace(Infinity)
  }
  const [areAxesShown, setAreAxesShown] = useState(false)
  const [shown, setShown] = useState<number[]>([])
  const figure = notebook.figures[place] ?? notebook.figures.at(-1)
  const others = useOthers(
    notebook,
    shown.filter((id) => id !== run.id),
  )
  // What is selected is kept in the units of the columns, whatever unit an axis has.
  const along = useMemo(() => shownAlong(figure?.axis, figure?.x ?? ''), [figure])
  const [seen, watch] = useLookedAt()
  const looked = useMemo(
    () => (seen.x === null ? null : { min: along.back(seen.x.min), max: along.back(seen.x.max) }),
    [seen, along],
  )
  const near = useNear(notebook, figure, rows, others, looked)
  const isRuns = isOfRuns(notebook, figure)
  const table = useRunsTable(notebook.id, notebook.revision, isRuns).data
  const input = useMemo(
    () =>
      !isRuns || figure === undefined
        ? figureInput({ notebook, figure, worked, run, ...near, selection })
        : table === undefined
          ? null
          : runsInput(notebook, figure, worked, table, selection),
    [isRuns, table, notebook, figure, worked, run, near, selection],
  )
  const drawnFrom = useMemo(
    () => (isRuns && table !== undefined ? { ...notebook, columns: runsColumns(table) } : notebook),
    [isRuns, table, notebook],
  )
  const shownSelection = selectionInUnits(selection, along.to)
  const handleSelect = useCallback(
    (chosen: Selection) => {
      // Of a figure of the runs single ones are picked.
      if (!isRuns || chosen.kind !== 'span') onSelect(selectionInUnits(chosen, along.back))
    },
    [onSelect, along, isRuns],
  )
  const points = useMemo(() => (input === null ? [] : pickPoints(input)), [input])
  // What is told of a place: where it is picked, or where the pointer is while a tangent follows it.
  const [isFollowing, setIsFollowing] = useState(false)
  const [from, setFrom] = useState<number | null>(null)
  const at = isRuns || input?.x.isWords === true ? null : placeOf(points, shownSelection)
  const numbers = usePointNumbers(
    run.id,
    notebook.revision,
    at === null
      ? null
      : {
          x: figure?.x ?? '',
          y: figure?.panels[0]?.y[0] ?? '',
          at: Number(along.back(at).toPrecision(12)),
          ...(from === null ? {} : { from }),
        },
  )
  const drawn = useMemo(
    () =>
      input === null || numbers === null || figure === undefined ? input : withMarks(input, figure, numbers.marks),
    [input, figure, numbers],
  )
  const beyond = useMemo(() => (input === null ? 0 : beyondAxes(input)), [input])
  const handleReady = useCallback(
    (made: FigureCanvas | null) => {
      setCanvas(made)
      watch(made)
    },
    [watch],
  )
  useSpanGesture(
    canvas,
    input?.panels.length ?? 0,
    points,
    handleSelect,
    isFollowing
      ? () => {
          setIsFollowing(false)
        }
      : null,
  )

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
    handleSelect(
      event.shiftKey ? stretchSpan(points, shownSelection, movement) : movePick(points, shownSelection, movement),
    )
  }

  async function handlePicture(kind: 'png' | 'svg') {
    const plain =
      isRuns && figure !== undefined && table !== undefined
        ? runsInput(notebook, figure, worked, table)
        : figureInput({ notebook, figure, worked, run, rows, others })
    if (plain === null) return
    const ink = paperInk()
    download(
      await pictureOf(notebookFigure(plain, ink, PICTURE_ROOM), kind, ink, figure?.shownTitle ?? ''),
      `${fileName(notebook.title)}-${run.number}.${kind}`,
    )
  }

  const caption =
    isRuns && figure !== undefined && table !== undefined
      ? runsCaption(notebook, figure, table)
      : captionOf(
          notebook,
          figure,
          run,
          rows,
          others.map((other) => other.run),
          beyond,
        )
  const heads =
    input?.panels
      .map((columns, i) => [...columns, ...(input.drawing?.panels[i]?.right ?? [])].map(columnHead).join(', '))
      .join(' and ') ?? ''
  return (
    <section className="panel flex min-h-[28rem] min-w-0 flex-col p-4" aria-labelledby="figure-title">
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
                  setPlace(index)
                }}
              >
                {index + 1}
              </button>
            ))}
          </span>
        ) : null}
        <span className="flex-1" />
        {figure === undefined ? null : <FigureWords notebook={drawnFrom} figure={figure} />}
        {figure === undefined ? null : (
          <button
            type="button"
            className="word-button text-sm font-normal!"
            aria-expanded={areAxesShown}
            onClick={() => {
              setAreAxesShown(!areAxesShown)
            }}
          >
            Axes …
          </button>
        )}
        {figure === undefined || isRuns ? null : (
          <button
            type="button"
            className="word-button text-sm font-normal!"
            onClick={() => {
              onStraighten(figure.x, figure.panels[0]?.y[0] ?? '')
            }}
          >
            straighten …
          </button>
        )}
        {isRuns || figure === undefined ? null : (
          <button
            type="button"
            className="word-button text-sm font-normal!"
            aria-pressed={isFollowing}
            title="A tangent follows the pointer; a click leaves it there"
            onClick={() => {
              setIsFollowing(!isFollowing)
              if (isFollowing) onSelect(NOTHING)
            }}
          >
            {isFollowing ? 'tangent: follows' : 'tangent'}
          </button>
        )}
        {isRuns ? null : (
          <RunsMenu
            runs={notebook.runs.filter(hasRows)}
            current={run.id}
            shown={shown}
            onRun={onRun}
            onShow={setShown}
          />
        )}
        <FitView canvas={canvas} />
        <span className="text-sm">
          Save{' '}
          <button type="button" className="word-button" onClick={() => void handlePicture('png')}>
            PNG
          </button>{' '}
          <button type="button" className="word-button" onClick={() => void handlePicture('svg')}>
            SVG
          </button>
        </span>
      </div>
      {figure === undefined || !areAxesShown ? null : (
        <AxesCard
          notebook={drawnFrom}
          figure={figure}
          onClose={() => {
            setAreAxesShown(false)
          }}
        />
      )}
      {input === null ? (
        <NoFigure notebook={notebook} />
      ) : (
        <div
          className="relative h-96 shrink-0 rounded-md select-none lg:h-auto lg:min-h-0 lg:flex-1"
          tabIndex={0}
          role="group"
          aria-label="Figure: arrow keys pick a reading, Shift with arrow keys stretches a span, plus and minus draw nearer and further, Page Up and Page Down move along it, Escape clears"
          onKeyDown={handleKeyDown}
        >
          <NotebookFigure
            input={drawn ?? input}
            summary={`${heads} against ${columnHead(input.x)}. ${caption}`}
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
              rows={near.rows}
              points={points}
              x={input.x}
              ys={figure?.panels.flatMap((panel) => [...panel.y, ...panel.right]) ?? []}
              selection={shownSelection}
              back={along.back}
              canvas={canvas}
              numbers={numbers}
              from={from}
              onFrom={setFrom}
              onClear={() => {
                onSelect(NOTHING)
              }}
            />
          )}
        </div>
      )}
      <p className="quiet mt-2 text-sm">{caption}</p>
    </section>
  )
}

/** The rows of further runs that are drawn with the one in hand. */
function useOthers(notebook: Notebook, ids: readonly number[]): { run: RunSummary; rows: RunRows }[] {
  const fetched = useQueries({
    queries: ids.map((run) => ({
      queryKey: ['rows', run],
      queryFn: () => answerOf(api.GET('/api/runs/{run}', { params: { path: { run } } })),
    })),
    combine: (results) => results.map(({ data }) => data),
  })
  return useMemo(
    () =>
      fetched.flatMap((rows) => {
        const run = notebook.runs.find(({ id }) => id === rows?.id)
        return rows === undefined || run === undefined ? [] : [{ run, rows }]
      }),
    [fetched, notebook.runs],
  )
}

function fileName(title: string): string {
  return (
    title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'figure'
  )
}
