import { useEffect, useState } from 'react'
import { sentenceOf } from '../../lib/api/problem'
import type { Bench, World } from '../../lib/api/types'
import { actTowards } from './actTowards'
import { ActButton, ControlGroup, Group } from './ControlGroup'
import { RevealTruth } from './RevealTruth'
import { useAct } from './useAct'

interface SimulatedBenchProps {
  bench: Bench
  world: World | null
  /** What the run is to be set to next; null outside a run. */
  next?: number | string | null
}

const SPEEDS = [1, 10, 60] as const
const OPEN_KEY = 'welkion.simulation-open'

/** The hands of a simulated bench: apart from the application's own controls, and recognisable as such. */
export function SimulatedBench({ bench, world, next = null }: SimulatedBenchProps) {
  const [isOpen, setIsOpen] = useState(() => localStorage.getItem(OPEN_KEY) === 'yes')
  const act = useAct(bench.id)
  useEffect(() => {
    localStorage.setItem(OPEN_KEY, isOpen ? 'yes' : 'no')
  }, [isOpen])
  if (!bench.isSimulated || world === null) return null
  const towards = actTowards(world.controls, next)

  return (
    <section
      aria-label={`Simulated bench ${bench.name}`}
      className="border-base-content/45 mx-5 mt-auto mb-3 rounded-md border border-dashed px-3 py-1 text-sm"
    >
      <div className="flex flex-wrap items-center gap-x-4">
        <strong>Simulated bench {bench.name}</strong>
        {world.summary.map((words) => (
          <span key={words} className="quiet">
            {words}
          </span>
        ))}
        <span className="quiet">clock ×{world.speed}</span>
        <span className="flex-1" />
        {isOpen ? <RevealTruth benchId={bench.id} /> : null}
        <button
          type="button"
          className="word-button py-1"
          aria-expanded={isOpen}
          onClick={() => {
            setIsOpen(!isOpen)
          }}
        >
          {isOpen ? 'close controls' : 'open controls'}
        </button>
      </div>
      {act.isError ? (
        <p role="alert" className="text-error py-1">
          {sentenceOf(act.error)}
        </p>
      ) : null}
      {isOpen ? (
        <div className="flex flex-wrap items-center gap-x-5 gap-y-1.5 pt-1 pb-2">
          {world.controls.map((control) => (
            <ControlGroup key={control.title} control={control} onAct={act.mutate} />
          ))}
          {towards === null ? null : (
            <ActButton
              isDisabled={towards.act === null}
              onClick={() => {
                if (towards.act !== null) act.mutate(towards.act)
              }}
            >
              {towards.words}
            </ActButton>
          )}
          <Group label="Clock">
            {SPEEDS.map((times) => (
              <ActButton
                key={times}
                isOn={world.speed === times}
                onClick={() => {
                  act.mutate({ act: 'speed', times })
                }}
              >
                ×{times}
              </ActButton>
            ))}
          </Group>
        </div>
      ) : null}
    </section>
  )
}
