import { useState } from 'react'
import type { Bench, Column, LiveBench, Notebook, RunRows } from '../../lib/api/types'
import { movedWords } from '../../lib/notebook/constancy'
import { stepText, stepWords, unitBehind } from '../../lib/notebook/labels'
import { NumberField } from '../../ui/NumberField'
import { ProblemNote } from '../../ui/ProblemNote'
import { useKey } from '../../ui/useKey'
import { SteadyText } from '../calibration/SteadyText'
import { TakeProblem } from '../calibration/TakeProblem'
import { useRunActions, type ReadingRequest } from '../notebook'
import { liveProbe } from '../probes/useLiveBench'
import { Advice } from './Advice'
import { Step } from '../../ui/Step'
import { WordsField } from './WordsField'

interface TakeStepProps {
  notebook: Notebook
  rows: RunRows
  bench: Bench
  live: LiveBench | null
  /** The next planned step; null where the steps are typed as one goes. */
  planned: number | string | null
}

/** The channels a reading waits for: those that are to stand still. */
function watched(notebook: Notebook, rows: RunRows) {
  const measured = notebook.columns.filter(({ kind }) => kind === 'measured')
  const steady = measured.filter(({ isSteady }) => isSteady)
  const roles = (steady.length === 0 ? measured : steady).map(({ role }) => role)
  return rows.channels.filter(({ role }) => role !== null && roles.includes(role))
}

/** The next reading: its step big, whether what is measured stands still, one button. */
export function TakeStep({ notebook, rows, bench, live, planned }: TakeStepProps) {
  const { takeReading, change } = useRunActions(rows.id, notebook.id)
  const [other, setOther] = useState<number | string | null>(null)
  const [isTyping, setIsTyping] = useState(false)
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const next = other ?? planned
  const last = rows.rows.reduce<RunRows['rows'][number] | null>(
    (latest, row) => (latest === null || row.takenAt > latest.takenAt ? row : latest),
    null,
  )
  const channels = watched(notebook, rows)
  const away = channels.find(({ isBeside, probe }) => !isBeside && probe.bench.id !== bench.id)?.probe ?? null
  const isUnplugged = channels.some(({ probe }) => liveProbe(live, probe.id)?.state === 'unplugged')
  const canTake = !takeReading.isPending && away === null && !isUnplugged && (step === undefined || next !== null)

  function handleTake(request: ReadingRequest) {
    takeReading.act(request, () => {
      setOther(null)
      setIsTyping(false)
    })
  }
  function handleNext() {
    handleTake({ step: next })
  }
  useKey('t', canTake ? handleNext : null)

  return (
    <Step state="next" title={stepTitle(notebook, step, rows.rows.length)}>
      {next === null ? null : (
        <p className="text-primary text-[2.2rem] leading-tight font-bold" data-testid="next-step">
          <span className="num">{stepText(next, step)}</span>{' '}
          <span className="text-xl font-normal">{step === undefined ? '' : unitBehind(step.unit, step.symbol)}</span>
        </p>
      )}
      {away !== null ? (
        <p role="alert">
          <strong className="amber">At bench {away.bench.name} now.</strong> Bring {away.title} {away.serial} back to
          bench {bench.name} to go on.
        </p>
      ) : (
        channels.map((channel) => (
          <Steady key={channel.probe.id} channel={channel} live={live} isAlone={channels.length === 1} />
        ))
      )}
      <Moved notebook={notebook} rows={rows} live={live} />
      <button type="button" className="btn btn-primary my-2 w-full" disabled={!canTake} onClick={handleNext}>
        Take reading <kbd className="key">T</kbd>
      </button>
      <TakeProblem
        problem={takeReading.error}
        onTakeAnyway={() => {
          if (takeReading.last !== undefined) handleTake({ ...takeReading.last, takeAnyway: true })
        }}
      />
      <div className="flex flex-wrap justify-between gap-x-3 text-sm">
        {last !== null ? (
          <button
            type="button"
            className="word-button"
            disabled={takeReading.isPending}
            onClick={() => {
              handleTake({ step: last.step, replaces: last.id })
            }}
          >
            retake {stepWords(last.step, step)}
          </button>
        ) : null}
        {step === undefined ? null : (
          <button
            type="button"
            className="word-button"
            onClick={() => {
              setIsTyping(!isTyping)
              setOther(null)
            }}
          >
            another step
          </button>
        )}
      </div>
      {step !== undefined && (isTyping || planned === null) ? (
        <div className="mt-2">
          {step.isWords ? (
            <WordsField label={step.shownName} value={typeof next === 'string' ? next : ''} onChange={setOther} />
          ) : (
            <NumberField
              label={step.shownName}
              unit={unitBehind(step.unit, step.symbol)}
              value={typeof next === 'number' ? next : null}
              onChange={setOther}
            />
          )}
        </div>
      ) : null}
      <Advice
        rows={rows}
        step={step}
        isPending={change.isPending}
        onUse={(refine) => {
          change.act({ refine })
        }}
      />
      <ProblemNote problem={change.error} />
    </Step>
  )
}

/** What should stay the same, and does not at this moment. */
function Moved({ notebook, rows, live }: { notebook: Notebook; rows: RunRows; live: LiveBench | null }) {
  const words = notebook.plan.constant.flatMap(({ symbol, within }) => {
    const column = notebook.columns.find((one) => one.symbol === symbol)
    const channel = rows.channels.find(({ role }) => role !== null && role === column?.role)
    if (column === undefined || channel === undefined) return []
    return movedWords(column, within, rows, liveProbe(live, channel.probe.id)) ?? []
  })
  return words.map((sentence) => (
    <p key={sentence.split(' ')[0]} className="amber text-sm" role="status">
      {sentence}
    </p>
  ))
}

function stepTitle(notebook: Notebook, step: Column | undefined, taken: number): string {
  if (step === undefined) return 'Next reading'
  const words = notebook.plan.stepWords === '' ? `set ${step.shownName} to` : notebook.plan.stepWords
  return taken === 0 && words.startsWith('add ')
    ? `${step.shownName} at`
    : words.charAt(0).toUpperCase() + words.slice(1)
}

function Steady({
  channel,
  live,
  isAlone,
}: {
  channel: RunRows['channels'][number]
  live: LiveBench | null
  isAlone: boolean
}) {
  const probe = liveProbe(live, channel.probe.id)
  const isRaw = probe?.valueDriftPerMinute == null
  return (
    <>
      {isAlone ? null : <p className="quiet text-sm">{channel.probe.title}:</p>}
      <SteadyText
        live={probe}
        unit={isRaw ? 'raw' : channel.unit}
        decimals={2}
        drift={probe?.valueDriftPerMinute ?? probe?.rawDriftPerMinute ?? 0}
      />
    </>
  )
}
