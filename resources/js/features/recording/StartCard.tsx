import { useState } from 'react'
import { Link } from 'react-router'
import { ProblemNote } from '../../ui/ProblemNote'
import type { Experiment, Probe } from '../../lib/api/types'
import { planWords } from '../../lib/plan'
import { useKey } from '../../ui/useKey'
import { useChangeExperiment } from '../experiments/useChangeExperiment'
import { TrustText } from '../probes/TrustText'
import { PlanDialog } from './PlanDialog'
import { Step } from './Step'
import { useStartRun } from './useRun'

interface StartCardProps {
  experiment: Experiment
  probes: readonly Probe[]
  onStarted: (runId: number) => void
}

/** Before a run: what is checked first, how readings will be taken, and the one button that starts it. */
export function StartCard({ experiment, probes, onStarted }: StartCardProps) {
  const start = useStartRun(experiment.id)
  const change = useChangeExperiment(experiment.id)
  const [isPlanning, setIsPlanning] = useState(false)
  const doubtful = probes.filter((probe) => !probe.isReady)
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
        <Step number={1} state={doubtful.length === 0 ? 'done' : 'waiting'} title="Probes calibrated">
          {probes.map((probe) =>
            probe.isReady ? (
              <p key={probe.id} className="quiet text-sm">
                {probe.title}: <TrustText probe={probe} />
              </p>
            ) : (
              <p key={probe.id} className="amber text-sm">
                {probe.isPresent ? probe.trustSentence : `${probe.title} is unplugged.`}
              </p>
            ),
          )}
          {doubtful.length === 0 ? null : (
            <>
              <p className="text-sm">The run, its figure and its sheet will say so.</p>
              <Link to={`/experiments/${experiment.id}/prepare`} className="word-button">
                calibrate first
              </Link>
            </>
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
            Start run {number}
            {doubtful.length === 0 ? '' : ' all the same'} <kbd className="key">S</kbd>
          </button>
        </Step>
      </ol>
      <ProblemNote problem={start.error} />
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
