import { useState } from 'react'
import { Link } from 'react-router'
import type { Bench, Notebook } from '../../lib/api/types'
import { planWords } from '../../lib/plan'
import { ProblemNote } from '../../ui/ProblemNote'
import { useKey } from '../../ui/useKey'
import { EntriesDialog, missingEntries } from '../entries'
import { useExperimentChange, useStartRun } from '../notebook'
import { TrustText } from '../probes/TrustText'
import { useBenches } from '../probes/useBenches'
import { TypeInstead } from '../runs'
import { TimedPlanSteps } from '../timed'
import { PlanDialog } from './PlanDialog'
import { RunLinks } from './RunLinks'
import { Step } from '../../ui/Step'

interface StartCardProps {
  notebook: Notebook
  bench: Bench
  beside: Notebook['beside']
}

/** Before a run: what is checked first, how readings will be taken, and the one button that starts it. */
export function StartCard({ notebook, bench, beside }: StartCardProps) {
  const start = useStartRun(notebook.id)
  const change = useExperimentChange(notebook.id)
  const [shown, setShown] = useState<'plan' | 'entries' | null>(null)
  const kinds = notebook.plan.roles.map(({ kind }) => kind)
  const used = bench.probes.filter(({ kind }) => kinds.includes(kind))
  const benches = useBenches()
  const alike = (benches.data ?? []).find(
    (other) =>
      other.id !== bench.id &&
      used.some(({ kind }) => other.probes.some((probe) => probe.kind === kind && probe.isPresent)),
  )
  const doubtful = used.filter((probe) => !probe.isReady)
  const number = Math.max(0, ...notebook.runs.map((run) => run.number)) + 1
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const isTimed = notebook.plan.runKind === 'timed'
  const missing = missingEntries(notebook).length
  const canStart = !start.isPending && notebook.columns.some(({ kind }) => kind === 'measured')

  function handleStart() {
    start.act({ benchId: bench.id })
  }
  useKey('s', canStart ? handleStart : null)

  return (
    <section className="panel flex flex-col gap-3 overflow-y-auto p-4" aria-labelledby="run-title">
      <h2 id="run-title" className="font-semibold">
        Run {number} · {isTimed ? 'timed' : 'stepwise'}
      </h2>
      <ol className="recipe flex flex-col gap-3">
        <Step state={doubtful.length === 0 ? 'done' : 'waiting'} title="Probes ready">
          {used.map((probe) =>
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
          {beside === null ? null : (
            <p className="quiet text-sm">
              Recorded together with bench <strong>{beside.name}</strong>.
            </p>
          )}
          {used.length === 0 ? (
            <p className="quiet text-sm">This notebook measures nothing yet. Add a column in Prepare.</p>
          ) : null}
          {doubtful.length === 0 ? null : (
            <>
              <p className="text-sm">The run, its figure and its sheet will say so.</p>
              <Link to={`/experiments/${notebook.id}/prepare`} className="word-button">
                calibrate first
              </Link>
            </>
          )}
          {alike === undefined || alike.id === beside?.id ? null : (
            <p className="quiet text-sm">
              This is bench <strong>{bench.name}</strong>, not {alike.name}, which has the like.
            </p>
          )}
        </Step>
        {notebook.entries.length === 0 ? null : (
          <Step state={missing === 0 ? 'done' : 'waiting'} title="Typed values">
            <p className="text-sm">
              <span className="quiet">{missing === 0 ? 'all there' : `${missing} still to type`}</span>{' '}
              <button
                type="button"
                className="word-button"
                onClick={() => {
                  setShown('entries')
                }}
              >
                {missing === 0 ? 'look at them' : 'type them'}
              </button>
            </p>
          </Step>
        )}
        {isTimed ? (
          <Step state="waiting" title="By itself, against time">
            <TimedPlanSteps notebook={notebook} />
          </Step>
        ) : step === undefined ? null : (
          <Step state="waiting" title={step.shownName}>
            <p className="quiet text-sm">{planWords(notebook.plan.steps, step)}</p>
            <button
              type="button"
              className="word-button"
              onClick={() => {
                setShown('plan')
              }}
            >
              change steps
            </button>
          </Step>
        )}
        <Step state="next" title={`Start run ${number}`}>
          <p className="quiet text-sm">
            {isTimed ? timedPromise(notebook) : 'Then one reading at each step, once it is steady.'}{' '}
            <button
              type="button"
              className="word-button font-normal!"
              onClick={() => {
                change.act({ runKind: isTimed ? 'stepwise' : 'timed' })
              }}
            >
              {isTimed ? 'step by step instead' : 'timed instead'}
            </button>{' '}
            <TypeInstead notebook={notebook}>type or paste instead</TypeInstead>
          </p>
          <button type="button" className="btn btn-primary mt-2 w-full" disabled={!canStart} onClick={handleStart}>
            Start run {number}
            {doubtful.length === 0 ? '' : ' all the same'} <kbd className="key">S</kbd>
          </button>
        </Step>
      </ol>
      <ProblemNote problem={start.error ?? change.error} />
      <RunLinks notebook={notebook} />
      {shown === 'plan' ? (
        <PlanDialog
          plan={notebook.plan.steps}
          step={step}
          problem={change.error}
          onClose={() => {
            setShown(null)
          }}
          onKeep={(plan) => {
            change.act({ plan }, () => {
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

function timedPromise(notebook: Notebook): string {
  return notebook.plan.timed.begin == null ? 'Then it records by itself.' : 'Then it waits, and begins by itself.'
}
