import type { LiveProbe, Probe, Standard, World } from '../../lib/api/types'
import { shownRaw } from '../../lib/probes/shown'
import { SteadyText } from './SteadyText'
import { TakeProblem } from './TakeProblem'
import { Trace } from './Trace'

export interface OtherProbe {
  serial: string
  live: LiveProbe | null
}

interface CurrentStandardProps {
  standard: Standard
  probe: Probe
  live: LiveProbe | null
  others: readonly OtherProbe[]
  world: World | null
  isTaking: boolean
  problem: Error | null
  onTake: (takeAnyway: boolean) => void
}

/** Of what lives, a few seconds show every beat; of what settles, a minute shows it come to rest. */
const ALIVE_SHOWN_S = 6
const SHOWN_S = 60
const LEAST_HEIGHT_SCATTERS = 12

/** The standard that is next: the signal coming to rest, and the one button. */
export function CurrentStandard({
  standard,
  probe,
  live,
  others,
  world,
  isTaking,
  problem,
  onTake,
}: CurrentStandardProps) {
  const raw = live?.raw == null ? null : shownRaw(probe.rawUnit, probe.rawDecimals, live.raw)
  return (
    <>
      {standard.needsRinse && world !== null && !world.isRinsed ? (
        <p className="amber text-sm">It came straight from another standard: rinse it first.</p>
      ) : null}
      {raw === null ? null : (
        <p className="num flex items-baseline justify-between">
          <span className="quiet font-sans text-sm">now</span>
          <span className="text-xl font-bold">
            {raw.text} <span className="text-sm font-normal">{raw.unit}</span>
          </span>
        </p>
      )}
      <Trace
        key={standard.position}
        benchId={probe.bench.id}
        probeId={probe.id}
        isSteady={live?.state === 'steady'}
        shownS={probe.isAlive ? ALIVE_SHOWN_S : SHOWN_S}
        windowS={probe.steady.windowS}
        leastHeight={LEAST_HEIGHT_SCATTERS * probe.steady.rawScatter}
      />
      {[{ serial: probe.serial, live }, ...others].map((one) => (
        <div key={one.serial}>
          {others.length === 0 ? null : <span className="quiet block text-sm">{one.serial}</span>}
          <SteadyText
            live={one.live}
            unit={probe.rawUnit}
            decimals={probe.rawDecimals}
            drift={one.live?.rawDriftPerMinute ?? 0}
          />
        </div>
      ))}
      <button
        type="button"
        className="btn btn-primary w-full"
        disabled={isTaking || raw === null}
        onClick={() => {
          onTake(false)
        }}
      >
        Accept reading <kbd className="key">T</kbd>
      </button>
      <TakeProblem
        problem={problem}
        onTakeAnyway={() => {
          onTake(true)
        }}
      />
    </>
  )
}
