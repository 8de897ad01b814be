import { Link } from 'react-router'
import type { LiveBench, LiveProbe, Notebook, RunRows, RunSummary } from '../../lib/api/types'
import { countOf, fixed, signed } from '../../lib/format'
import { unitBehind } from '../../lib/notebook/labels'
import { clockErrorWords, clockWords, durationWords, eventWords, rateWords } from '../../lib/timed/words'
import { useNotices } from '../../ui/notices'
import { Note } from '../../ui/Note'
import { ProblemNote } from '../../ui/ProblemNote'
import { useKey } from '../../ui/useKey'
import { useBeginRun, useRunActions, useUndo } from '../notebook'
import { liveProbe } from '../probes/useLiveBench'
import { Step } from '../../ui/Step'
import { ThrowAway } from '../runs'
import { LevelBar } from './LevelBar'
import { timedNow } from './timedState'

interface TimedRunStepsProps {
  notebook: Notebook
  run: RunSummary
  rows: RunRows
  live: LiveBench | null
  onNewRun: () => void
}

const MORE_S = 300

/** A timed run as it waits, records and ends: one thing to do at a time. */
export function TimedRunSteps({ notebook, run, rows, live, onNewRun }: TimedRunStepsProps) {
  const actions = useRunActions(run.id, notebook.id)
  const begin = useBeginRun(run.id)
  const { undo } = useUndo(notebook.id)
  const { tell } = useNotices()
  const now = timedNow(run, live)
  const plan = run.timed?.plan ?? notebook.plan.timed
  const isOpen = run.state === 'open'
  const { finish, goOn, dropMarker } = actions
  const problem = finish.error ?? goOn.error ?? dropMarker.error ?? begin.error

  function handleStop() {
    finish.act(undefined, () => {
      if (now.state === 'waiting') onNewRun()
      else
        tell(`${run.name} is stopped.`, () => {
          undo.act()
        })
    })
  }
  function handleMarker() {
    if (now.state === 'waiting') begin.mutate()
    else dropMarker.act({ at: Math.round(now.elapsed * 1000) / 1000 })
  }
  function handleGoOn() {
    goOn.act({ more: MORE_S })
  }
  useKey('s', isOpen && !finish.isPending ? handleStop : null)
  useKey('m', isOpen ? handleMarker : null)

  return (
    <>
      <Step state="done" title={null}>
        <p className="quiet text-sm">recorded {rateWords(plan.rate)}</p>
        {run.beside === null || run.timed?.clockError == null ? null : (
          <p className="quiet text-sm">
            The clock of {run.beside.name} is set by that of {run.bench?.name}, to ±{' '}
            {clockErrorWords(run.timed.clockError)}.
          </p>
        )}
      </Step>
      {now.state === 'waiting' ? (
        <Step state="next" title="Waits until">
          <Waiting notebook={notebook} run={run} rows={rows} live={live} />
          <button
            type="button"
            className="btn btn-primary my-2 w-full"
            disabled={begin.isPending}
            onClick={handleMarker}
          >
            Begin now <kbd className="key">M</kbd>
          </button>
          <button type="button" className="word-button" disabled={finish.isPending} onClick={handleStop}>
            Give up waiting <kbd className="key">S</kbd>
          </button>
        </Step>
      ) : now.state === 'recording' ? (
        <Step state="next" title="Recording">
          <p className="text-primary text-[2.2rem] leading-tight font-bold" data-testid="elapsed">
            <span className="num">{clockWords(now.elapsed)}</span>
          </p>
          {plan.length == null ? null : (
            <>
              <progress
                className="progress progress-primary h-1.5"
                value={Math.min(now.elapsed, plan.length)}
                max={plan.length}
                aria-label="How much is recorded"
              />
              <p className="quiet text-sm">{clockWords(Math.max(0, plan.length - now.elapsed))} left</p>
            </>
          )}
          <Missing notebook={notebook} run={run} rows={rows} live={live} />
          {plan.end == null ? null : <p className="quiet text-sm">or until {eventWords(plan.end, notebook.columns)}</p>}
          <button type="button" className="btn btn-primary my-2 w-full" onClick={handleMarker}>
            Marker <kbd className="key">M</kbd>
          </button>
          <p className="flex flex-wrap justify-between gap-x-3 text-sm">
            <button type="button" className="word-button" disabled={finish.isPending} onClick={handleStop}>
              Stop the run <kbd className="key">S</kbd>
            </button>
            {plan.length == null ? null : (
              <button type="button" className="word-button" disabled={goOn.isPending} onClick={handleGoOn}>
                go on for {durationWords(MORE_S)} more
              </button>
            )}
          </p>
        </Step>
      ) : isOpen ? (
        <Step state="next" title="Putting the run together">
          <p className="quiet text-sm">{durationWords(Number(now.elapsed.toFixed(1)))} recorded</p>
        </Step>
      ) : (
        <Step state="done" title={`Recorded ${durationWords(Number((run.timed?.endedS ?? 0).toFixed(1)))}`}>
          <p className="quiet text-sm">
            {countOf(rows.timed?.rowCount ?? 0, 'row')}, {endedWords(notebook, run)}
          </p>
          <StillMoving notebook={notebook} run={run} rows={rows} live={live} />
          {(rows.advice?.warnings ?? []).map((warning) => (
            <Note key={warning.title} tone="amber" role="status">
              <strong>{warning.title}</strong> {warning.text}
            </Note>
          ))}
          <Link to={`/experiments/${notebook.id}/reason?run=${run.id}`} className="btn btn-primary mt-2 w-full">
            Go to Reason
          </Link>
          <button
            type="button"
            className="btn btn-outline btn-sm mt-2 w-full"
            disabled={goOn.isPending}
            onClick={handleGoOn}
          >
            Go on for {durationWords(MORE_S)} more
          </button>
          <button type="button" className="btn btn-outline btn-sm mt-2 w-full" onClick={onNewRun}>
            Prepare another run
          </button>
          <p className="mt-2 text-sm">
            <ThrowAway run={run} experimentId={notebook.id} onGone={onNewRun} />
          </p>
        </Step>
      )}
      <ProblemNote problem={problem} />
    </>
  )
}

function endedWords(notebook: Notebook, run: RunSummary): string {
  const { endedBy, plan } = run.timed ?? {}
  if (endedBy === 'hand') return 'stopped by hand'
  if (endedBy === 'event' && plan?.end != null) return `ended because ${eventWords(plan.end, notebook.columns)}`
  return 'its whole length'
}

type PartProps = Omit<TimedRunStepsProps, 'onNewRun'>

/** What it waits for, and how far that is. */
function Waiting({ notebook, run, rows, live }: PartProps) {
  const event = run.timed?.plan.begin
  if (event == null) return <p className="text-lg font-semibold">the next reading</p>
  const column = notebook.columns.find(({ symbol }) => symbol === event.column)
  const channel = rows.channels.find(({ role }) => role !== null && role === column?.role)
  const value = channel?.unit === column?.unit ? (liveProbe(live, channel?.probe.id)?.value ?? null) : null
  const level = event.when === 'above' || event.when === 'below' ? (event.level ?? null) : null
  const isBeyond = value !== null && level !== null && (event.when === 'above' ? value > level : value < level)
  return (
    <>
      <p className="text-primary text-lg leading-snug font-semibold" data-testid="waits-for">
        {eventWords(event, notebook.columns)}
      </p>
      {value === null || column === undefined ? null : (
        <p className="text-sm">
          now <strong className="num">{fixed(value, column.decimals ?? 1)}</strong>{' '}
          {unitBehind(column.unit, column.symbol)}
        </p>
      )}
      {value !== null && level !== null ? <LevelBar value={value} level={level} /> : null}
      {isBeyond ? (
        <p className="amber text-sm">
          It is beyond that already: the run begins when it has come back and gets there again.
        </p>
      ) : null}
    </>
  )
}

/** Channels of which nothing comes while they are recorded. */
function Missing({ notebook, rows, live }: PartProps) {
  const titlesOf = (state: LiveProbe['state']) =>
    rows.channels
      .filter(
        ({ role, probe }) =>
          notebook.columns.some((column) => role !== null && column.role === role) &&
          liveProbe(live, probe.id)?.state === state,
      )
      .map(({ probe }) => probe.title)
      .join(' and ')
  const [unplugged, silent] = [titlesOf('unplugged'), titlesOf('silent')]
  return (
    <>
      {unplugged === '' ? null : (
        <Note tone="amber" role="alert">
          <strong>{unplugged} unplugged.</strong> Its rows stay blank until it is plugged in again; the others go on.
        </Note>
      )}
      {silent === '' ? null : (
        <Note tone="amber" role="alert">
          <strong>Nothing comes from {silent}.</strong> The run goes on; what the device keeps meanwhile is filled in
          when it is heard again.
        </Note>
      )}
    </>
  )
}

/** Within a minute of its end, whether what was measured still moves. */
function StillMoving({ notebook, run, rows, live }: PartProps) {
  if (!(live?.timedRuns ?? []).some(({ runId }) => runId === run.id) || run.timed?.endedBy === 'event') return null
  const moving = notebook.columns.flatMap((column) => {
    const channel = rows.channels.find(
      ({ role }) => column.kind === 'measured' && role !== null && role === column.role,
    )
    const probe = liveProbe(live, channel?.probe.id)
    const drift = Number((probe?.valueDriftPerMinute ?? 0).toFixed(1))
    // A heart is never at rest; and what rounds to nothing says nothing.
    return probe?.state === 'settling' && probe.isMoving && probe.recent.length === 0 && drift !== 0
      ? [
          `${column.shownName} still ${drift > 0 ? 'rises' : 'falls'}: ${signed(drift, 1)} ${channel?.unit ?? ''} in a minute.`,
        ]
      : []
  })
  if (moving.length === 0) return null
  return (
    <Note tone="amber" role="status">
      <strong>Ended before it was steady.</strong> {moving.join(' ')} Go on, and nothing is missing between.
    </Note>
  )
}
