import { useState } from 'react'
import { Link } from 'react-router'
import type { Bench, Notebook, Probe } from '../../lib/api/types'
import { typeset } from '../../lib/format'
import { Note } from '../../ui/Note'
import { useKey } from '../../ui/useKey'
import { EntriesDialog, missingEntries, ThingsDialog } from '../entries'
import { TrustText } from '../probes/TrustText'
import { CalibrateButton } from '../calibration/CalibrateButton'
import { GRADE_TEXT, GRADE_TONE } from '../calibration/grades'
import { KeyFigureHistory } from '../calibration/KeyFigureHistory'
import { recipeOf } from '../calibration/recipeOf'
import { useCalibrationHistory, useOpenCalibration } from '../calibration/useCalibration'
import { BesideChoice } from './BesideChoice'

interface PrepareOverviewProps {
  notebook: Notebook
  bench: Bench
  onOpened: (calibrationId: number) => void
}

/** What is ready and what is not, before anything is recorded. */
export function PrepareOverview({ notebook, bench, onOpened }: PrepareOverviewProps) {
  const [chosenId, setChosenId] = useState<number | null>(null)
  const [shown, setShown] = useState<'entries' | 'things' | null>(notebook.columns.length === 0 ? 'things' : null)
  const missing = missingEntries(notebook).length
  function handleClose() {
    setShown(null)
  }
  // What needs calibrating is looked at first.
  const kinds = notebook.plan.roles.map(({ kind }) => kind)
  const isUsed = ({ kind }: Probe) => kinds.length === 0 || kinds.includes(kind)
  const probes = [...bench.probes.filter(isUsed), ...bench.probes.filter((one) => !isUsed(one))]
  const doubtful = probes.find((one) => !one.isReady && one.recipes.length > 0 && isUsed(one))
  const chosen = probes.find(({ id }) => id === chosenId) ?? doubtful ?? probes[0]
  const open = useOpenCalibration(doubtful?.id ?? 0)
  useKey(
    's',
    doubtful?.isPresent !== true
      ? null
      : () => {
          open.mutate(
            { recipe: recipeOf(doubtful) },
            {
              onSuccess: ({ id }) => {
                onOpened(id)
              },
            },
          )
        },
  )
  return (
    <>
      <section className="panel flex flex-col gap-4 overflow-y-auto p-4" aria-labelledby="prepare-title">
        <h2 id="prepare-title" className="font-semibold">
          Before the run
        </h2>
        <BesideChoice notebook={notebook} bench={bench} />
        <ol className="flex flex-col gap-4">
          {probes.map((probe, index) => (
            <Check
              key={probe.id}
              isDone={probe.isReady || !isUsed(probe)}
              number={index + 1}
              title={checkTitle(probe)}
              {...(probe.id === chosen?.id
                ? {}
                : {
                    onLook: () => {
                      setChosenId(probe.id)
                    },
                  })}
            >
              <span className="quiet block">
                <TrustText probe={probe} />
                {isUsed(probe) ? null : ' · not used here'}
              </span>
              {probe.movedFrom === null ? null : (
                <span className="quiet block text-sm">came from bench {probe.movedFrom}</span>
              )}
              <span className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
                <CalibrateButton
                  probe={probe}
                  others={bench.probes}
                  words={calibrateWords(probe)}
                  className={probe.isReady || !isUsed(probe) ? 'btn btn-outline btn-sm' : 'btn btn-primary w-full'}
                  {...(probe.id === doubtful?.id ? { shortcut: 'S' } : {})}
                  onOpened={onOpened}
                />
              </span>
            </Check>
          ))}
          <Check isDone={missing === 0} number={bench.probes.length + 1} title="Typed values">
            <span className="quiet">
              {notebook.entries.length === 0
                ? 'none asked for'
                : missing === 0
                  ? 'all there'
                  : `${missing} still to type`}
            </span>{' '}
            <span className="flex gap-4">
              {notebook.entries.length === 0 ? null : (
                <button
                  type="button"
                  className="word-button"
                  onClick={() => {
                    setShown('entries')
                  }}
                >
                  type them
                </button>
              )}
              <button
                type="button"
                className="word-button"
                onClick={() => {
                  setShown('things')
                }}
              >
                columns and entries
              </button>
            </span>
          </Check>
          <Check isDone={notebook.runs.length > 0} number={bench.probes.length + 2} title="Record a run">
            {notebook.plan.prepare.length === 0 ? null : (
              <ul className="quiet list-disc pl-4 text-sm">
                {notebook.plan.prepare.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
            )}
            <Link
              to={`/experiments/${notebook.id}/record`}
              className={`btn mt-2 w-full ${doubtful === undefined ? 'btn-primary' : 'btn-outline btn-sm'}`}
            >
              Go to Record
            </Link>
          </Check>
        </ol>
      </section>
      {chosen === undefined ? (
        <Note>No probe has ever been plugged in here. Plug one in, and it appears by itself.</Note>
      ) : (
        <ProbeJudged probe={chosen} />
      )}
      {shown === 'entries' ? <EntriesDialog notebook={notebook} onClose={handleClose} /> : null}
      {shown === 'things' ? <ThingsDialog notebook={notebook} onClose={handleClose} /> : null}
    </>
  )
}

function calibrateWords(probe: Probe): string {
  if (!probe.isReady) return `Calibrate ${probe.title}`
  return probe.calibration === null ? 'Calibrate' : 'Calibrate again'
}

function checkTitle(probe: Probe): string {
  if (!probe.isPresent) return `${probe.title} unplugged`
  return probe.trust === 'missing' ? `${probe.title} not calibrated` : probe.title
}

/** How the chosen probe has changed, and whether it can be trusted. */
function ProbeJudged({ probe }: { probe: Probe }) {
  const history = useCalibrationHistory(probe.id)
  const { calibration } = probe
  const { trend = null, calibrations = [] } = history.data ?? {}
  const [first, ...others] = calibration?.keyFigures ?? []
  return (
    <>
      <section className="panel flex min-h-80 min-w-0 flex-col p-4" aria-labelledby="history-title">
        <h2 id="history-title" className="flex items-baseline gap-3 font-semibold">
          <span>
            {probe.title} over time{' '}
            <span className="quiet font-normal">
              {probe.serial}
              {first === undefined ? '' : `, ${first.measured.unit} ${first.label}`}
            </span>
          </span>
          <span className="flex-1" />
          <Link to={`/probes/${probe.id}`} className="word-button">
            its record
          </Link>
        </h2>
        <div className="min-h-0 flex-1">
          {calibrations.length > 0 ? (
            <KeyFigureHistory calibrations={calibrations} />
          ) : (
            <p className="quiet p-8 text-center">Its calibrations will be drawn here, one point each.</p>
          )}
        </div>
      </section>
      <section className="panel flex flex-col gap-4 overflow-y-auto p-4" aria-labelledby="trust-title">
        <h2 id="trust-title" className="font-semibold">
          Can it be trusted?
        </h2>
        {calibration?.verdict == null || first === undefined ? (
          <p className="quiet">
            {probe.trust === 'factory'
              ? 'It reads by its maker’s line, which is good enough for most lessons. Calibrate it when tenths matter.'
              : 'After the first calibration its numbers and a verdict stand here.'}
          </p>
        ) : (
          <>
            {[first, ...others].map((figure, index) => (
              <p key={figure.label}>
                <span
                  className={`num font-bold ${index === 0 ? `text-4xl ${GRADE_TEXT[calibration.verdict?.grade ?? 'good']}` : 'text-2xl'}`}
                >
                  {typeset(figure.measured.shownValue)}{' '}
                  <span className="font-sans text-[0.65em] font-normal">{figure.measured.unit}</span>
                </span>
                <span className="quiet block">{figure.label}</span>
              </p>
            ))}
            <Note tone={probe.trust === 'old' ? 'amber' : GRADE_TONE[calibration.verdict.grade]}>
              {probe.trust === 'old' || probe.trust === 'borrowed' ? (
                <>
                  <strong>{probe.trustSentence}</strong> It may have changed since: calibrate it today.
                </>
              ) : (
                <>
                  <strong>{calibration.verdict.title}</strong> {calibration.verdict.advice}
                </>
              )}
            </Note>
          </>
        )}
        {trend === null ? null : (
          <Note tone={trend.isReplacedSoon ? 'amber' : 'plain'}>
            {trend.isReplacedSoon ? <strong>Clean or replace soon. </strong> : null}
            {trend.sentence}
          </Note>
        )}
      </section>
    </>
  )
}

interface CheckProps {
  isDone: boolean
  number: number
  title: string
  /** Shows it at the right; left out for the one that is shown. */
  onLook?: () => void
  children: React.ReactNode
}

function Check({ isDone, number, title, onLook, children }: CheckProps) {
  return (
    <li className="grid grid-cols-[1.75rem_1fr] gap-2">
      <span
        className={`grid size-6 place-items-center rounded-full text-sm ${
          isDone ? 'bg-success/15 text-success' : 'border-base-300 quiet border'
        }`}
        aria-label={isDone ? 'done' : 'to do'}
      >
        {isDone ? '✓' : number}
      </span>
      <div className="min-w-0">
        <h3 className="flex items-baseline justify-between gap-2 font-semibold">
          {title}
          {onLook === undefined ? null : (
            <button
              type="button"
              className="word-button text-sm font-normal!"
              aria-label={`Look at ${title}`}
              onClick={onLook}
            >
              look at it
            </button>
          )}
        </h3>
        {children}
      </div>
    </li>
  )
}
