import { useCallback, useMemo } from 'react'
import type { LiveBench, Notebook, RunRows, RunSummary } from '../../lib/api/types'
import type { FigureInput } from '../../lib/figure/drawn'
import { countOf, fixed } from '../../lib/format'
import { columnHead } from '../../lib/notebook/labels'
import { durationWords, secondsIn } from '../../lib/timed/words'
import { NotebookFigure, useLookedAt, type FigureCanvas } from '../figure'
import { timedInput, timedPanels } from './timedInput'
import { timedNow } from './timedState'
import { useLiveTail, usePoints } from './usePoints'

interface TimedFigureProps {
  notebook: Notebook
  /** The run in hand. */
  run: RunSummary | null
  rows: RunRows | null
  /** Others that are drawn faint with it; the same list while they are the same. */
  others: readonly RunSummary[]
  live: LiveBench | null
  /** Only so much of the newest, in s; null: the whole run. */
  newestS: number | null
  onReady: (canvas: FigureCanvas | null) => void
}

const NO_MARKERS: never[] = []
const NO_CHANNELS: never[] = []

/** What is recorded against time as it comes in, with earlier runs faint behind it. */
export function TimedFigure({ notebook, run, rows, others, live, newestS, onReady }: TimedFigureProps) {
  const [{ x: seen }, watch] = useLookedAt()
  const drawn = useMemo(() => timedPanels(notebook.columns, notebook.figures), [notebook.columns, notebook.figures])
  const symbols = useMemo(() => (drawn?.panels ?? []).flat().map(({ symbol }) => symbol), [drawn])
  const runs = useMemo(() => (run === null ? others : [...others, run]), [run, others])
  const now = run === null ? null : timedNow(run, live)
  const isRecording = now?.state === 'recording'
  const factor = secondsIn(drawn?.time.unit ?? 's')
  const whole = usePoints(runs, symbols, null)
  const near = usePoints(
    seen === null ? [] : runs,
    symbols,
    seen === null ? null : { from: seen.min * factor, to: seen.max * factor },
  )
  const tail = useLiveTail(live, isRecording ? now.zero : null)
  const newestTo = newestS !== null && isRecording ? Math.ceil(now.elapsed) + 1 : null
  const ownPlan = run?.timed?.plan
  const nextPlan = notebook.plan.timed
  const hasEnded = now?.state === 'ended'
  const reached = Math.max(0, now?.elapsed ?? 0)
  const markers = rows?.markers ?? NO_MARKERS
  const channels = rows?.channels ?? NO_CHANNELS
  const input = useMemo((): FigureInput | null => {
    if (drawn === null) return null
    const newest =
      newestTo === null || newestS === null ? null : { from: Math.max(0, newestTo - newestS), to: newestTo }
    return timedInput({
      ...drawn,
      runs,
      inHand: run?.id ?? null,
      points: whole,
      near,
      channels,
      tail,
      markers,
      plan: ownPlan ?? nextPlan,
      hasEnded,
      reached,
      newest, // prettier-ignore
    })
  }, [
    drawn,
    runs,
    run?.id,
    whole,
    near,
    channels,
    tail,
    markers,
    ownPlan,
    nextPlan,
    reached,
    hasEnded,
    newestTo,
    newestS,
  ])
  const handleReady = useCallback(
    (canvas: FigureCanvas | null) => {
      watch(canvas)
      onReady(canvas)
    },
    [onReady, watch],
  )

  if (input === null)
    return (
      <p className="quiet p-8 text-center">Add a column to measure in Prepare; what is recorded is drawn here then.</p>
    )
  return (
    <NotebookFigure
      input={input}
      summary={summaryOf(input, now?.elapsed ?? 0, markers.length)}
      isMovable
      isGrowing={isRecording}
      onReady={handleReady}
    />
  )
}

function summaryOf({ panels, runs, x }: FigureInput, elapsed: number, markers: number): string {
  const told = panels.flat().map((column) => {
    const last = runs.at(-1)?.lines?.[column.symbol]?.at(-1)
    return last === undefined
      ? `${columnHead(column)}: nothing yet`
      : `${columnHead(column)}: last ${fixed(last[1], column.decimals ?? 2)}`
  })
  const length = `${durationWords(Number(elapsed.toFixed(0)))} recorded`
  return `${told.join('; ')}, against ${x.shownName.toLowerCase()}; ${length}${markers === 0 ? '' : `, ${countOf(markers, 'marker')}`}.`
}
