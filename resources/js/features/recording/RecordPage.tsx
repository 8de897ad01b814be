import { useCallback, useEffect, useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import type { Notebook, RunRows, RunSummary, World } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { latestRun } from '../../lib/notebook/runs'
import { stepText, unitBehind } from '../../lib/notebook/labels'
import { PageProblem } from '../../ui/PageProblem'
import { Waiting } from '../../ui/Waiting'
import { FitView, type FigureCanvas } from '../figure'
import { useNotebook, useRunRows } from '../notebook'
import { BesideCards } from '../probes/BesideCards'
import { BenchLost } from '../probes/BenchLost'
import { ProbeShelf } from '../probes/ProbeShelf'
import { ShelfCard } from '../probes/ShelfCard'
import { useBench } from '../probes/useBench'
import { useLiveBenches } from '../probes/useLiveBench'
import { BenchChoice } from '../prepare/BenchChoice'
import { SimulatedBench } from '../simulation/SimulatedBench'
import { TimedFigure } from '../timed'
import { ReadingsTable } from './ReadingsTable'
import { RunCard } from './RunCard'
import { RunFigure } from './RunFigure'
import { RunsPanel } from './RunsPanel'
import { StartCard } from './StartCard'
import { TypedRecord } from './TypedRecord'

/** Earlier runs that are drawn at most, and how much is followed of a long one. */
const MOST_BESIDE = 6
const NEWEST_S = 30

/** The run on screen: the one in the address, else the one that is open, else none. */
function runIdOf(notebook: Notebook, asked: string | null): number | null {
  if (asked !== null && notebook.runs.some((run) => run.id === Number(asked))) return Number(asked)
  return notebook.runs.find((run) => run.state === 'open')?.id ?? null
}

export function RecordPage() {
  const notebook = useNotebook()
  const [parameters, setParameters] = useSearchParams()
  const asked = parameters.get('run')
  const runId = runIdOf(notebook, asked)
  // Whoever saw it run, at whichever screen it was begun, still sees it when it has ended.
  useEffect(() => {
    if (asked === null && runId !== null) setParameters({ run: String(runId) }, { replace: true })
  }, [asked, runId, setParameters])
  const run = notebook.runs.find(({ id }) => id === runId)
  const benchId = run?.bench?.id ?? notebook.bench?.id ?? null
  const beside = run === undefined ? notebook.beside : run.beside
  const handleRun = (id: number | null) => {
    setParameters(id === null ? {} : { run: String(id) })
  }
  if (run?.kind === 'typed') return <TypedRun notebook={notebook} run={run} onRun={handleRun} />
  if (benchId === null) return <BenchChoice notebook={notebook} />
  return <RecordAtBench notebook={notebook} benchId={benchId} beside={beside} runId={runId} onRun={handleRun} />
}

interface TypedRunProps {
  notebook: Notebook
  run: RunSummary
  onRun: (id: number | null) => void
}

function TypedRun({ notebook, run, onRun }: TypedRunProps) {
  const rows = useRunRows(run.id)
  if (rows.data === undefined)
    return rows.error === null ? <Waiting what="the run" /> : <PageProblem problem={rows.error} />
  return <TypedRecord key={run.id} notebook={notebook} run={run} rows={rows.data} onRun={onRun} />
}

interface RecordAtBenchProps {
  notebook: Notebook
  benchId: number
  beside: Notebook['beside']
  runId: number | null
  onRun: (id: number | null) => void
}

function RecordAtBench({ notebook, benchId, beside, runId, onRun }: RecordAtBenchProps) {
  const bench = useBench(benchId)
  const { live, beside: besideLive } = useLiveBenches(benchId, beside?.id ?? null)
  const rows = useRunRows(runId)
  const inHand = notebook.runs.find(({ id }) => id === runId) ?? null
  const isTimed = inHand === null ? notebook.plan.runKind === 'timed' : inHand.kind === 'timed'
  const earlierRun = latestRun(notebook.runs.filter((other) => runId === null || other.id < runId))
  const earlier = useRunRows(isTimed ? null : (earlierRun?.id ?? null))
  const [hidden, setHidden] = useState<number[]>([])
  const [isNewest, setIsNewest] = useState(false)
  const others = useMemo(
    () =>
      notebook.runs
        .filter(({ id, kind }) => id !== runId && kind === 'timed' && !hidden.includes(id))
        .slice(-MOST_BESIDE),
    [notebook.runs, runId, hidden],
  )
  const [canvas, setCanvas] = useState<FigureCanvas | null>(null)
  const handleReady = useCallback((made: FigureCanvas | null) => {
    setCanvas(made)
  }, [])
  const problem = bench.error ?? rows.error
  if (problem !== null && (bench.data === undefined || (runId !== null && rows.data === undefined)))
    return <PageProblem problem={problem} />
  if (bench.data === undefined) return <Waiting what="the bench" />
  if (runId !== null && rows.data === undefined) return <Waiting what="the run" />
  const run = inHand
  const current = run === null ? null : (rows.data ?? null)
  const next = current?.remaining[0] ?? null
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const [figure] = notebook.figures
  const used = (current?.channels ?? []).filter(({ role }) => role !== null).map(({ probe }) => probe.id)

  return (
    <>
      <ProbeShelf bench={bench.data} live={live} shows="value" selectedProbeIds={used}>
        {beside === null ? null : <BesideCards benchId={beside.id} live={besideLive} probeIds={used} />}
        {step === undefined || isTimed ? null : <StepCard notebook={notebook} rows={current} />}
      </ProbeShelf>
      {beside === null || besideLive?.isConnected !== false ? null : (
        <div className="px-5 pt-3">
          <BenchLost benchName={beside.name} live={besideLive} />
        </div>
      )}
      <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-3 lg:grid lg:grid-cols-[300px_1fr_270px]">
        {run === null || current === null ? (
          <StartCard notebook={notebook} bench={bench.data} beside={beside} />
        ) : (
          <RunCard
            key={current.id}
            notebook={notebook}
            run={run}
            rows={current}
            bench={bench.data}
            live={live}
            onNewRun={() => {
              onRun(null)
            }}
          />
        )}
        <section className="panel flex min-h-96 min-w-0 flex-col p-4" aria-labelledby="figure-title">
          <div className="flex items-baseline gap-3">
            <h2 id="figure-title" className="font-semibold">
              {figure?.shownTitle === undefined || figure.shownTitle === '' ? 'Figure' : figure.shownTitle}
            </h2>
            <span className="quiet text-sm">
              {current === null || isTimed ? '' : countOf(current.rows.length, 'reading')}
            </span>
            <span className="flex-1" />
            {isTimed && run?.state === 'open' ? (
              <button
                type="button"
                className="word-button font-normal!"
                onClick={() => {
                  setIsNewest(!isNewest)
                }}
              >
                {isNewest ? 'show the whole run' : `follow the newest ${NEWEST_S} s`}
              </button>
            ) : null}
            <FitView canvas={canvas} />
          </div>
          <div className="h-80 shrink-0 lg:h-auto lg:min-h-0 lg:flex-1">
            {isTimed ? (
              <TimedFigure
                notebook={notebook}
                run={run}
                rows={current}
                others={others}
                live={live}
                newestS={isNewest ? NEWEST_S : null}
                onReady={handleReady}
              />
            ) : (
              <RunFigure
                notebook={notebook}
                run={run}
                rows={current}
                earlierRun={earlierRun}
                earlier={earlier.data ?? null}
                next={next}
                onReady={handleReady}
              />
            )}
          </div>
        </section>
        {isTimed ? (
          <RunsPanel
            notebook={notebook}
            current={run}
            rows={current}
            hidden={hidden}
            onHidden={setHidden}
            onRun={onRun}
          />
        ) : (
          <ReadingsTable notebook={notebook} rows={current} />
        )}
      </main>
      <SimulatedBench bench={bench.data} world={live?.world ?? null} next={next} />
      {beside === null ? null : <SimulatedBeside benchId={beside.id} world={besideLive?.world ?? null} />}
    </>
  )
}

/** The hands of a second bench. */
function SimulatedBeside({ benchId, world }: { benchId: number; world: World | null }) {
  const bench = useBench(benchId)
  return bench.data === undefined ? null : <SimulatedBench bench={bench.data} world={world} />
}

/** What the run is set to, beside what is measured. */
function StepCard({ notebook, rows }: { notebook: Notebook; rows: RunRows | null }) {
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const last = rows?.rows.reduce<RunRows['rows'][number] | null>(
    (latest, row) => (latest === null || row.takenAt > latest.takenAt ? row : latest),
    null,
  )
  const count = rows === null ? 0 : rows.rows.length + rows.remaining.length
  return (
    <ShelfCard
      title={step?.shownName ?? 'Step'}
      value={
        last == null ? (
          <span aria-label="no reading yet">—</span>
        ) : (
          <>
            {stepText(last.step, step)}
            <span className="unit">{step === undefined ? '' : unitBehind(step.unit, step.symbol)}</span>
          </>
        )
      }
      state={<span className="quiet font-semibold">typed</span>}
      detail={
        rows === null
          ? 'no run yet'
          : rows.remaining.length === 0
            ? countOf(rows.rows.length, 'reading')
            : `step ${rows.rows.length + 1} of ${count}`
      }
    />
  )
}
