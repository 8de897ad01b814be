import { useCallback, useState } from 'react'
import { useSearchParams } from 'react-router'
import type { Experiment } from '../../lib/api/types'
import { countOf, volume } from '../../lib/format'
import { useKey } from '../../ui/useKey'
import { Waiting } from '../../ui/Waiting'
import type { FigureCanvas } from '../figure'
import { ShelfCard } from '../probes/ShelfCard'
import { ProbeShelf } from '../probes/ProbeShelf'
import { useBench } from '../probes/useBench'
import { liveProbe, useLiveBench } from '../probes/useLiveBench'
import { useShell } from '../shell/useShell'
import { SimulatedBench } from '../simulation/SimulatedBench'
import { ReadingsTable } from './ReadingsTable'
import { RunCard } from './RunCard'
import { RunFigure } from './RunFigure'
import { StartCard } from './StartCard'
import { useRun } from './useRun'

/** The run on screen: the one in the address, else the one that is open, else none. */
function runIdOf(experiment: Experiment, asked: string | null): number | null {
  if (asked !== null && experiment.runs.some((run) => run.id === Number(asked))) return Number(asked)
  return experiment.runs.find((run) => run.state === 'open')?.id ?? null
}

export function RecordPage() {
  const { experiment } = useShell()
  const bench = useBench(experiment.bench.id)
  const live = useLiveBench(experiment.bench.id)
  const [parameters, setParameters] = useSearchParams()
  const runId = runIdOf(experiment, parameters.get('run'))
  const run = useRun(runId)
  const earlierId = experiment.runs.filter((other) => runId === null || other.id < runId).at(-1)?.id ?? null
  const earlier = useRun(earlierId)
  const [canvas, setCanvas] = useState<FigureCanvas | null>(null)
  const handleReady = useCallback((made: FigureCanvas | null) => {
    setCanvas(made)
  }, [])
  useKey('f', () => canvas?.fit())

  if (bench.data === undefined) return <Waiting what="the bench" />
  if (runId !== null && run.data === undefined) return <Waiting what="the run" />
  const current = run.data ?? null
  const next = current?.remaining[0] ?? null
  const last = current?.readings.at(-1)?.volume ?? null
  const stepCount = (current?.readings.length ?? 0) + (current?.remaining.length ?? 0)

  return (
    <>
      <ProbeShelf
        bench={bench.data}
        live={live}
        shows="value"
        selectedProbeIds={current?.electrode == null ? [] : [current.electrode.probeId]}
      >
        <ShelfCard
          title="Burette"
          value={
            last === null ? (
              <span aria-label="no reading yet">—</span>
            ) : (
              <>
                {volume(last)}
                <span className="unit">mL</span>
              </>
            )
          }
          state={<span className="quiet font-semibold">typed</span>}
          detail={
            current === null
              ? 'no run yet'
              : next === null
                ? countOf(current.readings.length, 'reading')
                : `step ${current.readings.length + 1} of ${stepCount}`
          }
        />
      </ProbeShelf>
      <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-3 lg:grid lg:grid-cols-[300px_1fr_250px]">
        {current === null ? (
          <StartCard
            experiment={experiment}
            probes={bench.data.probes}
            onStarted={(id) => {
              setParameters({ run: String(id) })
            }}
          />
        ) : (
          <RunCard
            key={current.id}
            experiment={experiment}
            run={current}
            bench={bench.data}
            live={current.electrode === null ? null : liveProbe(live, current.electrode.probeId)}
            onNewRun={() => {
              setParameters({})
            }}
          />
        )}
        <section className="panel flex min-h-96 min-w-0 flex-col p-4" aria-labelledby="figure-title">
          <div className="flex items-baseline gap-3">
            <h2 id="figure-title" className="font-semibold">
              pH against volume of {experiment.titrant}
            </h2>
            <span className="quiet text-sm">{current === null ? '' : countOf(current.readings.length, 'reading')}</span>
            <span className="flex-1" />
            <button type="button" className="word-button font-normal!" onClick={() => canvas?.fit()}>
              Fit view <kbd className="key">F</kbd>
            </button>
          </div>
          <div className="min-h-0 flex-1">
            <RunFigure
              experiment={experiment}
              run={current}
              earlier={earlier.data ?? null}
              next={next}
              onReady={handleReady}
            />
          </div>
        </section>
        <ReadingsTable experiment={experiment} run={current} />
      </main>
      <SimulatedBench bench={bench.data} world={live?.world ?? null} nextVolume={next} />
    </>
  )
}
