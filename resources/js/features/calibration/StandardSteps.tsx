import { useState } from 'react'
import { Link } from 'react-router'
import { ProblemNote } from '../../ui/ProblemNote'
import type { Calibration, LiveProbe, Probe, World } from '../../lib/api/types'
import { Note } from '../../ui/Note'
import { useKey } from '../../ui/useKey'
import { CurrentStandard, type OtherProbe } from './CurrentStandard'
import { Faults } from './Faults'
import { Given } from './Given'
import { Badge, StandardStep } from './StandardStep'
import { StandardsDialog } from './StandardsDialog'
import { choiceOf, standardName, withTyped } from './standardWords'
import { useCalibrationActions, useOpenCalibration } from './useCalibration'

interface StandardStepsProps {
  calibration: Calibration
  probe: Probe
  live: LiveProbe | null
  /** The probes that are read together with it. */
  others: readonly OtherProbe[]
  world: World | null
  next: { to: string; words: string }
  onLeave: () => void
  onAgain: (calibrationId: number) => void
}

/** The card that reads like a recipe: each standard in turn, then look at the line and keep it. */
export function StandardSteps({ calibration, probe, live, others, world, next, onLeave, onAgain }: StandardStepsProps) {
  const [isChoosing, setIsChoosing] = useState(false)
  const actions = useCalibrationActions(calibration.id)
  const again = useOpenCalibration(probe.id)
  const isOpen = calibration.state === 'open'
  const current = isOpen ? calibration.standards.find((standard) => standard.reading === null) : undefined
  const readCount = calibration.standards.filter((standard) => standard.reading !== null).length
  const blocked = [calibration, ...calibration.beside].some(({ faults }) => faults.some((fault) => fault.blocks))
  const lacksBore = calibration.recipe.needsBore && calibration.settings.boreMm == null
  const canKeep = isOpen && calibration.line !== null && !blocked && !lacksBore
  const problem = actions.keep.error ?? actions.exchange.error ?? actions.dropReading.error ?? actions.change.error

  function handleTake(takeAnyway = false) {
    if (current !== undefined) actions.takeReading.mutate({ position: current.position, takeAnyway })
  }
  function handleKeep() {
    actions.keep.mutate()
  }
  const canTake = current !== undefined && !actions.takeReading.isPending
  useKey('t', canTake ? () => handleTake() : null)
  useKey('k', canKeep && !actions.keep.isPending ? handleKeep : null)

  return (
    <section className="panel flex flex-col gap-3 overflow-y-auto p-4" aria-labelledby="steps-title">
      <div>
        <h2 id="steps-title" className="font-semibold">
          Calibrate {probe.title}{' '}
          <span className="quiet font-normal">
            {[calibration, ...calibration.beside].map((one) => one.probe.serial).join(' and ')}
          </span>
        </h2>
        <p className="quiet text-sm">{calibration.recipe.title}</p>
      </div>
      <div className="flex items-center gap-2">
        <span className="quiet w-17 text-sm leading-tight">Standards at hand</span>
        <span className="flex flex-1 flex-wrap gap-1">
          {calibration.standards.map((standard) => (
            <span
              key={standard.position}
              className={`border-base-300 rounded-md border px-1 py-0.5 text-sm ${standard.isExpired ? 'amber' : ''}`}
            >
              {standardName(standard).replace(/^pH /, '')}
              {standard.isExpired ? ' · expired' : ''}
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
      <Given
        calibration={calibration}
        onChange={(settings) => {
          actions.change.mutate({ settings })
        }}
      />
      <Faults calibration={calibration} onExchange={actions.exchange.mutate} onRetake={actions.dropReading.mutate} />
      <ol className="flex flex-col gap-3">
        {calibration.standards.map((standard) => (
          <StandardStep
            key={standard.position}
            standard={standard}
            rawUnit={calibration.probe.rawUnit}
            rawDecimals={probe.rawDecimals}
            isNext={standard === current}
            canChange={isOpen}
            onRetake={() => {
              actions.dropReading.mutate(standard.position)
            }}
            onType={(value) => {
              actions.change.mutate({ standards: withTyped(calibration.standards, standard.position, value) })
            }}
          >
            <CurrentStandard
              standard={standard}
              probe={probe}
              live={live}
              others={others}
              world={world}
              isTaking={actions.takeReading.isPending}
              problem={actions.takeReading.error}
              onTake={handleTake}
            />
          </StandardStep>
        ))}
        <li className="grid grid-cols-[1.75rem_1fr] gap-2">
          <Badge state={calibration.state === 'kept' ? 'done' : canKeep && !current ? 'next' : 'waiting'}>
            {calibration.standards.length + 1}
          </Badge>
          <div className="flex flex-col gap-2">
            <h3 className={canKeep ? 'font-semibold' : 'quiet'}>Look at the line and keep it</h3>
            {canKeep ? (
              <button
                type="button"
                className={`btn w-full ${current ? 'btn-outline btn-sm' : 'btn-primary'}`}
                disabled={actions.keep.isPending}
                onClick={handleKeep}
              >
                {current ? `Keep it with ${readCount} standard${readCount === 1 ? '' : 's'}` : 'Keep this calibration'}{' '}
                <kbd className="key">K</kbd>
              </button>
            ) : null}
            {calibration.state === 'kept' ? (
              <>
                <Link to={next.to} className="btn btn-primary w-full">
                  {next.words}
                </Link>
                <button
                  type="button"
                  className="word-button self-start"
                  onClick={() => {
                    again.mutate(
                      { recipe: calibration.recipe.key, beside: calibration.beside.map(({ probeId }) => probeId) },
                      {
                        onSuccess: (opened) => {
                          onAgain(opened.id)
                        },
                      },
                    )
                  }}
                >
                  Calibrate again
                </button>
              </>
            ) : null}
          </div>
        </li>
      </ol>
      <ProblemNote problem={problem} />
      {isOpen && readCount === 0 ? <Note>{calibration.recipe.hint}</Note> : null}
      <button type="button" className="word-button mt-auto self-start" onClick={onLeave}>
        {calibration.state === 'kept' ? 'Back to the overview' : 'Leave without keeping'}
      </button>
      {isChoosing ? (
        <StandardsDialog
          probe={probe}
          unit={calibration.unit}
          standards={calibration.standards.map(choiceOf)}
          problem={actions.change.error}
          onClose={() => {
            setIsChoosing(false)
          }}
          onChoose={(standards) => {
            actions.change.mutate(
              { standards },
              {
                onSuccess: () => {
                  setIsChoosing(false)
                },
              },
            )
          }}
        />
      ) : null}
    </section>
  )
}
