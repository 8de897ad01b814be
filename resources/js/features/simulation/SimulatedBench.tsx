import { useEffect, useState } from 'react'
import { sentenceOf } from '../../lib/api/problem'
import type { Bench, World } from '../../lib/api/types'
import { fixed, volume } from '../../lib/format'
import { NumberField } from '../../ui/NumberField'
import { RevealTruth } from './RevealTruth'
import { useAct } from './useAct'

interface SimulatedBenchProps {
  bench: Bench
  world: World | null
  /** The burette volume the run asks for next; null outside a run. */
  nextVolume?: number | null
}

const PLACES = [
  ['rinse', 'rinse water'],
  ['buffer-7.00', 'pH 7.00'],
  ['buffer-4.01', 'pH 4.01'],
  ['buffer-10.01', 'pH 10.01'],
  ['beaker', 'the beaker'],
  ['storage', 'storage'],
] as const
const SPEEDS = [1, 10, 60] as const
const OPEN_KEY = 'welkion.simulation-open'

/** The hands of a simulated bench: apart from the application's own controls, and recognisable as such. */
export function SimulatedBench({ bench, world, nextVolume = null }: SimulatedBenchProps) {
  const [isOpen, setIsOpen] = useState(() => localStorage.getItem(OPEN_KEY) === 'yes')
  const act = useAct(bench.id)
  useEffect(() => {
    localStorage.setItem(OPEN_KEY, isOpen ? 'yes' : 'no')
  }, [isOpen])
  if (!bench.isSimulated || world === null) return null

  return (
    <section
      aria-label={`Simulated bench ${bench.name}`}
      className="border-base-content/45 mx-5 mt-auto mb-3 rounded-md border border-dashed px-3 py-1 text-sm"
    >
      <div className="flex flex-wrap items-center gap-x-4">
        <strong>Simulated bench {bench.name}</strong>
        <span className="quiet">electrode is in: {world.placeWords}</span>
        <span className="quiet">burette at {volume(world.buretteMl)} mL</span>
        <span className="quiet">
          beaker: {world.sample}, {world.isStirred ? 'stirred' : 'not stirred'}
        </span>
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
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2 pt-1 pb-2">
          <Group label="Electrode into">
            {PLACES.map(([place, words]) => (
              <ActButton
                key={place}
                isOn={world.place === place}
                onClick={() => {
                  act.mutate(place === 'rinse' ? { act: 'rinse' } : { act: 'dip', into: place })
                }}
              >
                {words}
              </ActButton>
            ))}
          </Group>
          <Burette world={world} nextVolume={nextVolume} onAct={act.mutate} />
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

interface BuretteProps {
  world: World
  nextVolume: number | null
  onAct: ReturnType<typeof useAct>['mutate']
}

function Burette({ world, nextVolume, onAct }: BuretteProps) {
  const [amount, setAmount] = useState<number | null>(0.5)
  const missing = nextVolume === null ? 0 : nextVolume - world.buretteMl
  return (
    <Group label="Beaker">
      <ActButton
        onClick={() => {
          onAct({ act: 'new-sample' })
        }}
      >
        new sample
      </ActButton>
      <ActButton
        isOn={world.isStirred}
        onClick={() => {
          onAct({ act: 'stir', on: !world.isStirred })
        }}
      >
        stir
      </ActButton>
      <NumberField label="Volume to add" hideLabel unit="mL" value={amount} onChange={setAmount} widthClass="w-16" />
      <ActButton
        isDisabled={amount === null}
        onClick={() => {
          if (amount !== null) onAct({ act: 'dispense', volume: amount })
        }}
      >
        add
      </ActButton>
      {nextVolume !== null ? (
        <ActButton
          isDisabled={missing < 0.0005}
          onClick={() => {
            onAct({ act: 'dispense', volume: Number(fixed(missing, 4)) })
          }}
        >
          add up to {volume(nextVolume)} mL
        </ActButton>
      ) : null}
    </Group>
  )
}

function Group({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-1.5">
      <span className="quiet mr-1">{label}</span>
      {children}
    </div>
  )
}

interface ActButtonProps {
  isOn?: boolean
  isDisabled?: boolean
  onClick: () => void
  children: React.ReactNode
}

function ActButton({ isOn, isDisabled = false, onClick, children }: ActButtonProps) {
  return (
    <button
      type="button"
      disabled={isDisabled}
      aria-pressed={isOn}
      onClick={onClick}
      className={`rounded-md border px-2 py-0.5 disabled:opacity-60 ${
        isOn ? 'border-secondary bg-secondary text-secondary-content' : 'border-base-content/30 hover:bg-base-300'
      }`}
    >
      {children}
    </button>
  )
}
