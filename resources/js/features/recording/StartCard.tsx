import { useState } from 'react'
import { Link } from 'react-router'
import { dayAndTime, daysBetween } from '../../lib/ago'
import { sentenceOf } from '../../lib/api/problem'
import type { Experiment, Probe } from '../../lib/api/types'
import { fixed } from '../../lib/format'
import { planWords } from '../../lib/plan'
import { Note } from '../../ui/Note'
import { useKey } from '../../ui/useKey'
import { useNow } from '../../ui/useNow'
import { useChangeExperiment } from '../experiments/useChangeExperiment'
import { PlanDialog } from './PlanDialog'
import { Step } from './Step'
import { useStartRun } from './useRun'

interface StartCardProps {
  experiment: Experiment
  electrode: Probe
  onStarted: (runId: number) => void
}

/** Before a run: what is checked first, how readings will be taken, and the one button that starts it. */
export function StartCard({ experiment, electrode, onStarted }: StartCardProps) {
  const now = useNow(30_000)
  const start = useStartRun(experiment.id)
  const change = useChangeExperiment(experiment.id)
  const [isPlanning, setIsPlanning] = useState(false)
  const { calibration } = electrode
  const keptAt = calibration?.keptAt == null ? null : new Date(calibration.keptAt)
  const isTrusted = keptAt !== null && daysBetween(keptAt, now) <= 1 && calibration?.verdict?.isUsable === true
  const number = experiment.runs.length + 1

  function handleStart() {
    start.mutate(undefined, {
      onSuccess: (run) => {
        onStarted(run.id)
      },
    })
  }
  useKey('s', start.isPending ? null : handleStart)

  return (
    <section className="panel flex flex-col gap-3 overflow-y-auto p-4" aria-labelledby="run-title">
      <h2 id="run-title" className="font-semibold">
        Run {number} · stepwise
      </h2>
      <ol className="flex flex-col gap-3">
        <Step number={1} state={isTrusted ? 'done' : 'waiting'} title="Electrode calibrated">
          {keptAt === null || calibration?.slopePercent == null ? (
            <p className="amber text-sm">Never calibrated: only voltages will be recorded.</p>
          ) : (
            <p className={`text-sm ${isTrusted ? 'quiet' : 'amber'}`}>
              {dayAndTime(keptAt, now)} · slope {fixed(calibration.slopePercent, 1)} % of ideal
            </p>
          )}
          {isTrusted ? null : (
            <Link to={`/experiments/${experiment.id}/prepare`} className="word-button">
              calibrate first
            </Link>
          )}
        </Step>
        <Step number={2} state="waiting" title="Sample and burette">
          <p className="quiet text-sm">
            Sample in the beaker, electrode in, {experiment.titrant} at the zero mark, stirrer on.
          </p>
        </Step>
        <Step number={3} state="waiting" title="Volumes">
          <p className="quiet text-sm">{planWords(experiment.plan)}</p>
          <button
            type="button"
            className="word-button"
            onClick={() => {
              setIsPlanning(true)
            }}
          >
            change steps
          </button>
        </Step>
        <Step number={4} state="next" title={`Start run ${number}`}>
          <p className="quiet text-sm">Then one reading at each volume, once it is steady.</p>
          <button
            type="button"
            className="btn btn-primary mt-2 w-full"
            disabled={start.isPending}
            onClick={handleStart}
          >
            Start run {number} <kbd className="key">S</kbd>
          </button>
        </Step>
      </ol>
      {start.isError ? (
        <Note tone="red" role="alert">
          {sentenceOf(start.error)}
        </Note>
      ) : null}
      <RunLinks experiment={experiment} />
      {isPlanning ? (
        <PlanDialog
          plan={experiment.plan}
          problem={change.error}
          onClose={() => {
            setIsPlanning(false)
          }}
          onKeep={(plan) => {
            change.mutate(
              { plan },
              {
                onSuccess: () => {
                  setIsPlanning(false)
                },
              },
            )
          }}
        />
      ) : null}
    </section>
  )
}

function RunLinks({ experiment }: { experiment: Experiment }) {
  if (experiment.runs.length === 0) return null
  return (
    <p className="quiet mt-auto text-sm">
      Earlier:{' '}
      {experiment.runs.map((run) => (
        <span key={run.id}>
          <Link to={`?run=${run.id}`} className="word-button">
            Run {run.number}
          </Link>{' '}
          ({run.readingCount} readings){' '}
        </span>
      ))}
    </p>
  )
}
