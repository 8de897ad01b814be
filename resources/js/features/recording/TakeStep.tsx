import { useState } from 'react'
import type { Bench, Experiment, LiveProbe, Run } from '../../lib/api/types'
import { volume } from '../../lib/format'
import { NumberField } from '../../ui/NumberField'
import { ProblemNote } from '../../ui/ProblemNote'
import { useKey } from '../../ui/useKey'
import { SteadyText } from '../calibration/SteadyText'
import { TakeProblem } from '../calibration/TakeProblem'
import { Advice } from './Advice'
import { Step } from './Step'
import { readingRequest, useRunActions, type ReadingRequest } from './useRun'

interface TakeStepProps {
  experiment: Experiment
  run: Run
  bench: Bench
  live: LiveProbe | null
  planned: number
}

/** The next reading: its volume big, whether the electrode is steady, one button. */
export function TakeStep({ experiment, run, bench, live, planned }: TakeStepProps) {
  const { takeReading, changePlan } = useRunActions(run.id, experiment.id)
  const [otherVolume, setOtherVolume] = useState<number | null>(null)
  const [isTypingVolume, setIsTypingVolume] = useState(false)
  const next = otherVolume ?? planned
  const last = run.readings.at(-1)

  function handleTake(request: ReadingRequest) {
    takeReading.mutate(request, {
      onSuccess: () => {
        setOtherVolume(null)
        setIsTypingVolume(false)
      },
    })
  }
  function handleNext() {
    handleTake(readingRequest(next))
  }
  const away = run.electrode !== null && run.electrode.bench.id !== bench.id ? run.electrode : null
  const canTake = !takeReading.isPending && away === null && live?.state !== 'unplugged'
  useKey('t', canTake ? handleNext : null)

  return (
    <Step number={3} state="next" title={run.readings.length === 0 ? 'Burette at' : 'Add titrant to'}>
      <p className="text-primary text-[2.4rem] leading-tight font-bold" data-testid="next-volume">
        <span className="num">{volume(next)}</span> <span className="text-xl font-normal">mL</span>
      </p>
      {away !== null ? (
        <p role="alert">
          <strong className="amber">At bench {away.bench.name} now.</strong> Bring {away.title} {away.serial} back to
          bench {bench.name} to go on.
        </p>
      ) : (
        <SteadyText
          live={live}
          unit={live?.valueDriftPerMinute == null ? 'mV' : 'pH'}
          decimals={2}
          drift={live?.valueDriftPerMinute ?? live?.rawDriftPerMinute ?? 0}
        />
      )}
      <button type="button" className="btn btn-primary my-2 w-full" disabled={!canTake} onClick={handleNext}>
        Take reading <kbd className="key">T</kbd>
      </button>
      <TakeProblem
        problem={takeReading.error}
        onTakeAnyway={() => {
          if (takeReading.variables !== undefined) {
            handleTake(
              readingRequest(takeReading.variables.volume, {
                ...againOf(takeReading.variables),
                takeAnyway: true,
              }),
            )
          }
        }}
      />
      <div className="flex flex-wrap justify-between gap-x-3 text-sm">
        {last !== undefined ? (
          <button
            type="button"
            className="word-button"
            disabled={takeReading.isPending}
            onClick={() => {
              handleTake(readingRequest(last.volume, { replaces: last.id }))
            }}
          >
            retake {volume(last.volume)} mL
          </button>
        ) : null}
        <button
          type="button"
          className="word-button"
          onClick={() => {
            setIsTypingVolume(!isTypingVolume)
            setOtherVolume(null)
          }}
        >
          other volume
        </button>
      </div>
      {isTypingVolume ? (
        <div className="mt-2">
          <NumberField label="The burette stands at" unit="mL" value={next} onChange={setOtherVolume} />
        </div>
      ) : null}
      <Advice run={run} onUse={changePlan.mutate} isPending={changePlan.isPending} />
      <ProblemNote problem={changePlan.error} />
    </Step>
  )
}

function againOf(request: ReadingRequest): { replaces?: number } {
  return request.replaces === undefined ? {} : { replaces: request.replaces }
}
