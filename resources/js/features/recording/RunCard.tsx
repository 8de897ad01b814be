import { useState } from 'react'
import { Link } from 'react-router'
import { ProblemNote } from '../../ui/ProblemNote'
import { dayAndTime } from '../../lib/ago'
import type { Bench, Experiment, LiveProbe, Run } from '../../lib/api/types'
import { fixed, volume } from '../../lib/format'
import { comingWords } from '../../lib/plan'
import { useNotices } from '../../ui/notices'
import { useKey } from '../../ui/useKey'
import { useNow } from '../../ui/useNow'
import { figureText } from '../../lib/probes/figureText'
import { TrustSentences } from '../probes/TrustSentences'
import { PlanDialog } from './PlanDialog'
import { Step } from './Step'
import { TakeStep } from './TakeStep'
import { useRunActions } from './useRun'

interface RunCardProps {
  experiment: Experiment
  run: Run
  bench: Bench
  live: LiveProbe | null
  onNewRun: () => void
}

/** A run as it goes on: the next step big, one button beside it, what comes after below. */
export function RunCard({ experiment, run, bench, live, onNewRun }: RunCardProps) {
  const now = useNow(30_000)
  const actions = useRunActions(run.id, experiment.id)
  const [isPlanning, setIsPlanning] = useState(false)
  const isOpen = run.state === 'open'
  const next = run.remaining[0] ?? null
  const { finish, reopen } = actions
  const { tell } = useNotices()
  const { calibration } = run
  const [figure] = calibration?.keyFigures ?? []
  const problem = finish.error ?? reopen.error ?? actions.changePlan.error

  function handleFinish() {
    finish.mutate(undefined, {
      onSuccess: () => {
        tell(`Run ${run.number} is finished.`, () => {
          reopen.mutate()
        })
      },
    })
  }
  useKey(
    's',
    isOpen && !finish.isPending
      ? () => {
          handleFinish()
        }
      : null,
  )

  return (
    <section className="panel flex flex-col gap-3 overflow-y-auto p-4" aria-labelledby="run-title">
      <h2 id="run-title" className="font-semibold">
        Run {run.number} · stepwise
      </h2>
      <ol className="flex flex-col gap-3">
        <Step
          number={1}
          state="done"
          title={calibration === null ? 'Electrode not calibrated' : 'Electrode calibrated'}
        >
          {calibration?.keptAt != null && figure !== undefined ? (
            <p className="quiet text-sm">
              {dayAndTime(new Date(calibration.keptAt), now)} · {figureText(figure)} {figure.label}
              {run.isWorkedOutAgain ? ', worked out again' : ''}
            </p>
          ) : (
            <p className="amber text-sm">This run shows the pH of an ideal electrode.</p>
          )}
          <TrustSentences sentences={run.trustSentences} />
        </Step>
        <Step number={2} state="done" title="Sample">
          <p className="quiet text-sm">{sampleWords(experiment)}</p>
        </Step>
        {isOpen && next !== null ? (
          <TakeStep experiment={experiment} run={run} bench={bench} live={live} planned={next} />
        ) : null}
        {isOpen && comingWords(run.remaining) !== null ? (
          <Step number={4} state="waiting" title={comingWords(run.remaining)}>
            <p className="flex justify-between text-sm">
              <span className="quiet">{run.remaining.length - 1} more after this one</span>
              <button
                type="button"
                className="word-button"
                onClick={() => {
                  setIsPlanning(true)
                }}
              >
                change steps
              </button>
            </p>
          </Step>
        ) : null}
        {isOpen ? (
          <Step
            number={5}
            state={next === null ? 'next' : 'waiting'}
            title={next === null ? 'All steps are taken' : null}
          >
            <button
              type="button"
              className={next === null ? 'btn btn-primary mt-1 w-full' : 'word-button'}
              disabled={finish.isPending}
              onClick={handleFinish}
            >
              Finish the run <kbd className="key">S</kbd>
            </button>
          </Step>
        ) : (
          <Step number={3} state="done" title={`Finished with ${run.readings.length} readings`}>
            <Link to={`/experiments/${experiment.id}/reason?run=${run.id}`} className="btn btn-primary mt-2 w-full">
              Go to Reason
            </Link>
            <button type="button" className="btn btn-outline btn-sm mt-2 w-full" onClick={onNewRun}>
              Prepare another run
            </button>
            <button
              type="button"
              className="word-button mt-3 text-sm"
              disabled={reopen.isPending}
              onClick={() => {
                reopen.mutate()
              }}
            >
              Go on with this run
            </button>
          </Step>
        )}
      </ol>
      <ProblemNote problem={problem} />
      {isPlanning ? (
        <PlanDialog
          plan={run.plan}
          problem={actions.changePlan.error}
          onClose={() => {
            setIsPlanning(false)
          }}
          onKeep={(plan) => {
            actions.changePlan.mutate(
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

function sampleWords(experiment: Experiment): string {
  const of = (symbol: string) => experiment.entries.find((entry) => entry.symbol === symbol)
  const [sample, titrant] = [of('V0'), of('c')]
  const sampleText = sample?.value == null ? experiment.sample : `${volume(sample.value)} mL ${experiment.sample}`
  const titrantText =
    titrant?.value == null ? experiment.titrant : `${fixed(titrant.value, 4)} ${titrant.unit} ${experiment.titrant}`
  return `${sampleText}, ${titrantText}`
}
