import { useState } from 'react'
import { Link } from 'react-router'
import { dayAndTime } from '../../lib/ago'
import type { Bench, LiveBench, Notebook, RunRows, RunSummary } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { comingWords } from '../../lib/plan'
import { figureWords } from '../../lib/probes/figureText'
import { useNotices } from '../../ui/notices'
import { ProblemNote } from '../../ui/ProblemNote'
import { useKey } from '../../ui/useKey'
import { useNow } from '../../ui/useNow'
import { EntriesDialog, missingEntries, typedWords } from '../entries'
import { useRunActions, useUndo } from '../notebook'
import { TrustSentences } from '../probes/TrustSentences'
import { ThrowAway } from '../runs'
import { TimedRunSteps } from '../timed'
import { PlanDialog } from './PlanDialog'
import { Step } from '../../ui/Step'
import { TakeStep } from './TakeStep'

interface RunCardProps {
  notebook: Notebook
  run: RunSummary
  rows: RunRows
  bench: Bench
  live: LiveBench | null
  onNewRun: () => void
}

/** A run as it goes on: the next step big, one button beside it, what comes after below. */
export function RunCard({ notebook, run, rows, bench, live, onNewRun }: RunCardProps) {
  const actions = useRunActions(run.id, notebook.id)
  const [shown, setShown] = useState<'plan' | 'entries' | null>(null)
  const isOpen = run.state === 'open'
  const isTimed = run.kind === 'timed'
  const next = rows.remaining[0] ?? null
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const hasPlan = (rows.plan.ranges ?? rows.plan.steps ?? []).length > 0
  const { finish, reopen } = actions
  const { undo } = useUndo(notebook.id)
  const { tell } = useNotices()
  const problem = finish.error ?? reopen.error ?? actions.change.error
  const coming = comingWords(rows.remaining, step)

  function handleFinish() {
    finish.act(undefined, () => {
      tell(`${run.name} is finished.`, () => {
        undo.act()
      })
    })
  }
  useKey('s', isOpen && !isTimed && !finish.isPending ? handleFinish : null)

  return (
    <section className="panel flex flex-col gap-3 overflow-y-auto p-4" aria-labelledby="run-title">
      <h2 id="run-title" className="font-semibold">
        {run.name} · {isTimed ? 'timed' : 'stepwise'}
      </h2>
      <ol className="recipe flex flex-col gap-3">
        <Step state="done" title="Probes">
          <Calibrations rows={rows} />
          <TrustSentences sentences={rows.trustSentences} />
        </Step>
        {notebook.entries.length === 0 ? null : (
          <Step state={missingEntries(notebook).length === 0 ? 'done' : 'waiting'} title="Typed values">
            <p className="quiet text-sm">
              {typedWords(notebook)}{' '}
              <button
                type="button"
                className="word-button"
                onClick={() => {
                  setShown('entries')
                }}
              >
                change
              </button>
            </p>
          </Step>
        )}
        {isTimed ? (
          <TimedRunSteps notebook={notebook} run={run} rows={rows} live={live} onNewRun={onNewRun} />
        ) : (
          <>
            {isOpen && (next !== null || !hasPlan) ? (
              <TakeStep notebook={notebook} rows={rows} bench={bench} live={live} planned={next} />
            ) : null}
            {isOpen && coming !== null ? (
              <Step state="waiting" title={coming}>
                <p className="flex justify-between text-sm">
                  <span className="quiet">{rows.remaining.length - 1} more after this one</span>
                  <button
                    type="button"
                    className="word-button"
                    onClick={() => {
                      setShown('plan')
                    }}
                  >
                    change steps
                  </button>
                </p>
              </Step>
            ) : null}
            {isOpen ? (
              <Step
                state={next === null && hasPlan ? 'next' : 'waiting'}
                title={next === null && hasPlan ? 'All steps are taken' : null}
              >
                <button
                  type="button"
                  className={next === null && hasPlan ? 'btn btn-primary mt-1 w-full' : 'word-button'}
                  disabled={finish.isPending}
                  onClick={handleFinish}
                >
                  Finish the run <kbd className="key">S</kbd>
                </button>
              </Step>
            ) : (
              <Step state="done" title={`Finished with ${countOf(rows.rows.length, 'reading')}`}>
                <Link to={`/experiments/${notebook.id}/reason?run=${run.id}`} className="btn btn-primary mt-2 w-full">
                  Go to Reason
                </Link>
                <button type="button" className="btn btn-outline btn-sm mt-2 w-full" onClick={onNewRun}>
                  Prepare another run
                </button>
                <p className="mt-3 flex justify-between text-sm">
                  <button
                    type="button"
                    className="word-button"
                    disabled={reopen.isPending}
                    onClick={() => {
                      reopen.act()
                    }}
                  >
                    Go on with this run
                  </button>
                  <ThrowAway run={run} experimentId={notebook.id} onGone={onNewRun} />
                </p>
              </Step>
            )}
          </>
        )}
      </ol>
      <ProblemNote problem={problem} />
      {shown === 'plan' ? (
        <PlanDialog
          plan={rows.plan}
          step={step}
          problem={actions.change.error}
          onClose={() => {
            setShown(null)
          }}
          onKeep={(plan) => {
            actions.change.act({ plan }, () => {
              setShown(null)
            })
          }}
        />
      ) : null}
      {shown === 'entries' ? (
        <EntriesDialog
          notebook={notebook}
          onClose={() => {
            setShown(null)
          }}
        />
      ) : null}
    </section>
  )
}

/** By what each channel that matters is read. */
function Calibrations({ rows }: { rows: RunRows }) {
  const now = useNow(30_000)
  return rows.channels
    .filter(({ role }) => role !== null)
    .map(({ isBeside, probe, calibration, isWorkedOutAgain }) => {
      const [figure] = calibration?.keyFigures ?? []
      return (
        <p key={probe.id} className="quiet text-sm">
          {probe.title}
          {isBeside ? ` at ${probe.bench.name}` : ''}:{' '}
          {calibration?.keptAt == null || figure === undefined
            ? 'by its maker’s line'
            : `${dayAndTime(new Date(calibration.keptAt), now)} · ${figureWords(figure)}${isWorkedOutAgain ? ', worked out again' : ''}`}
        </p>
      )
    })
}
