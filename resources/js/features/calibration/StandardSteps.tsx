import { useState } from 'react'
import { Link } from 'react-router'
import { Problem, sentenceOf } from '../../lib/api/problem'
import type { Calibration, LiveProbe, Probe, Standard, StandardsChoice, World } from '../../lib/api/types'
import { fixed, signed } from '../../lib/format'
import { Note } from '../../ui/Note'
import { useKey } from '../../ui/useKey'
import { useShell } from '../shell/useShell'
import { Faults } from './Faults'
import { StandardsDialog } from './StandardsDialog'
import { SteadyText } from './SteadyText'
import { Trace } from './Trace'
import { USUAL_STANDARDS, type ChosenStandard } from './standards'
import { useCalibrationActions, useOpenCalibration } from './useCalibration'

interface StandardStepsProps {
  calibration: Calibration
  electrode: Probe
  live: LiveProbe | null
  world: World | null
  onLeave: () => void
  onAgain: (calibrationId: number) => void
}

/** The card that reads like a recipe: each standard in turn, then look at the line and keep it. */
export function StandardSteps({ calibration, electrode, live, world, onLeave, onAgain }: StandardStepsProps) {
  const { experiment } = useShell()
  const [isChoosing, setIsChoosing] = useState(false)
  const actions = useCalibrationActions(calibration.id)
  const again = useOpenCalibration(electrode.id)
  const isOpen = calibration.state === 'open'
  const next = isOpen ? calibration.standards.find((standard) => standard.reading === null) : undefined
  const readCount = calibration.standards.filter((standard) => standard.reading !== null).length
  const blocked = calibration.faults.some((fault) => fault.blocks)
  const canKeep = isOpen && calibration.line !== null && !blocked

  function handleTake(takeAnyway = false) {
    if (next !== undefined) actions.takeReading.mutate({ position: next.position, takeAnyway })
  }
  useKey('t', next === undefined || actions.takeReading.isPending ? null : () => handleTake())

  const choice: StandardsChoice = {
    standards: calibration.standards.map(({ buffer, ph }) =>
      buffer === null ? { ph } : { buffer: buffer as NonNullable<ChosenStandard['buffer']> },
    ),
  }
  const takeProblem = actions.takeReading.error
  const otherProblem = actions.keep.error ?? actions.exchange.error ?? actions.dropReading.error

  return (
    <section className="panel flex flex-col gap-3 overflow-y-auto p-4" aria-labelledby="steps-title">
      <h2 id="steps-title" className="font-semibold">
        Calibrate pH electrode <span className="quiet font-normal">{electrode.serial}</span>
      </h2>
      <div className="flex items-center gap-2">
        <span className="quiet w-17 text-sm leading-tight">Standards at hand</span>
        <span className="flex flex-1 flex-wrap gap-1">
          {calibration.standards.map((standard) => (
            <span key={standard.position} className="num border-base-300 rounded-md border px-1 py-0.5 text-sm">
              {fixed(standard.ph, 2)}
            </span>
          ))}
        </span>
        {isOpen ? (
          <button
            type="button"
            className="word-button"
            onClick={() => {
              setIsChoosing(true)
            }}
          >
            change
          </button>
        ) : null}
      </div>
      <ol className="flex flex-col gap-3">
        {calibration.standards.map((standard) => (
          <StandardStep
            key={standard.position}
            standard={standard}
            isNext={standard === next}
            canRetake={isOpen}
            onRetake={() => {
              actions.dropReading.mutate(standard.position)
            }}
          >
            {world !== null && !world.isRinsed ? (
              <p className="amber text-sm">It came straight from another standard: rinse it first.</p>
            ) : null}
            <Trace
              key={standard.position}
              benchId={experiment.bench.id}
              probeId={electrode.id}
              isSteady={live?.state === 'steady'}
            />
            <SteadyText live={live} unit="mV" decimals={1} drift={live?.rawDriftPerMinute ?? 0} />
            <button
              type="button"
              className="btn btn-primary w-full"
              disabled={actions.takeReading.isPending || live === null}
              onClick={() => {
                handleTake()
              }}
            >
              Accept reading <kbd className="key">T</kbd>
            </button>
            {takeProblem ? (
              <Note tone="amber" role="alert">
                {sentenceOf(takeProblem)}{' '}
                {takeProblem instanceof Problem && takeProblem.code === 'not-steady' ? (
                  <button
                    type="button"
                    className="word-button"
                    onClick={() => {
                      handleTake(true)
                    }}
                  >
                    Take it anyway
                  </button>
                ) : null}
              </Note>
            ) : null}
          </StandardStep>
        ))}
        <li className="grid grid-cols-[1.75rem_1fr] gap-2">
          <Badge state={calibration.state === 'kept' ? 'done' : canKeep && !next ? 'next' : 'waiting'}>
            {calibration.standards.length + 1}
          </Badge>
          <div className="flex flex-col gap-2">
            <h3 className={canKeep ? 'font-semibold' : 'quiet'}>Look at the line and keep it</h3>
            {canKeep ? (
              <button
                type="button"
                className={`btn w-full ${next ? 'btn-outline btn-sm' : 'btn-primary'}`}
                disabled={actions.keep.isPending}
                onClick={() => {
                  actions.keep.mutate()
                }}
              >
                {next ? `Keep it with ${readCount} standards` : 'Keep this calibration'}
              </button>
            ) : null}
            {calibration.state === 'kept' ? (
              <>
                <Link to={`/experiments/${experiment.id}/record`} className="btn btn-primary w-full">
                  Go to Record
                </Link>
                <button
                  type="button"
                  className="word-button self-start"
                  onClick={() => {
                    again.mutate(USUAL_STANDARDS, {
                      onSuccess: (opened) => {
                        onAgain(opened.id)
                      },
                    })
                  }}
                >
                  Calibrate again
                </button>
              </>
            ) : null}
          </div>
        </li>
      </ol>
      <Faults calibration={calibration} onExchange={actions.exchange.mutate} onRetake={actions.dropReading.mutate} />
      {otherProblem ? (
        <Note tone="red" role="alert">
          {sentenceOf(otherProblem)}
        </Note>
      ) : null}
      <button type="button" className="word-button mt-auto self-start" onClick={onLeave}>
        {calibration.state === 'kept' ? 'Back to the overview' : 'Leave without keeping'}
      </button>
      {isChoosing ? (
        <StandardsDialog
          choice={choice}
          problem={actions.changeStandards.error}
          onClose={() => {
            setIsChoosing(false)
          }}
          onChoose={(changed) => {
            actions.changeStandards.mutate(changed, {
              onSuccess: () => {
                setIsChoosing(false)
              },
            })
          }}
        />
      ) : null}
    </section>
  )
}

interface StandardStepProps {
  standard: Standard
  isNext: boolean
  canRetake: boolean
  onRetake: () => void
  children: React.ReactNode
}

function StandardStep({ standard, isNext, canRetake, onRetake, children }: StandardStepProps) {
  const { reading } = standard
  return (
    <li className="grid grid-cols-[1.75rem_1fr] gap-2" aria-current={isNext ? 'step' : undefined}>
      <Badge state={reading !== null ? 'done' : isNext ? 'next' : 'waiting'}>{standard.position + 1}</Badge>
      <div className="flex min-w-0 flex-col gap-2">
        {reading !== null ? (
          <div>
            <p className="flex justify-between gap-2">
              <span>
                pH <strong className="num">{fixed(standard.ph, 2)}</strong>
              </span>
              <span className="num">{signed(reading.millivolts, 1)} mV</span>
            </p>
            <p className="quiet flex justify-between gap-2 text-sm">
              <span>
                {fixed(reading.ph, 2)} at {fixed(reading.celsius, 1)} °C · scatter {fixed(reading.scatter, 1)} mV
                {reading.wasSteady ? '' : ' · not steady'}
              </span>
              {canRetake ? (
                <button type="button" className="word-button" onClick={onRetake}>
                  retake
                </button>
              ) : null}
            </p>
          </div>
        ) : isNext ? (
          <>
            <p>
              <span className="quiet block">Rinse, blot, then dip in</span>
              <span className="text-primary text-3xl font-bold">
                pH <span className="num">{fixed(standard.ph, 2)}</span>
              </span>
            </p>
            {children}
          </>
        ) : (
          <p className="quiet">
            pH <strong className="num">{fixed(standard.ph, 2)}</strong>
          </p>
        )}
      </div>
    </li>
  )
}

function Badge({ state, children }: { state: 'done' | 'next' | 'waiting'; children: React.ReactNode }) {
  const look = {
    done: 'bg-success/15 text-success',
    next: 'bg-primary text-primary-content',
    waiting: 'border-base-300 quiet border',
  }[state]
  return (
    <span className={`grid size-6 place-items-center rounded-full text-sm font-semibold ${look}`}>
      {state === 'done' ? <span aria-label="done">✓</span> : children}
    </span>
  )
}
