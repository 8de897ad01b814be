import type { LiveProbe, Probe } from '../../lib/api/types'
import { daysBetween, dayAndTime } from '../../lib/ago'
import { fixed, signed } from '../../lib/format'
import { useNow } from '../../ui/useNow'
import { ShelfCard } from './ShelfCard'

interface ProbeCardProps {
  probe: Probe
  live: LiveProbe | null
  /** In Prepare the raw signal matters, in Record the quantity. */
  shows: 'raw' | 'value'
  isSelected: boolean
}

/** A calibration older than a day is worth renewing before a run. */
const FRESH_DAYS = 1

export function ProbeCard({ probe, live, shows, isSelected }: ProbeCardProps) {
  return (
    <ShelfCard
      title={probe.title}
      isSelected={isSelected}
      value={<ProbeValue probe={probe} live={live} shows={shows} />}
      state={<StateWord state={live?.state ?? 'silent'} />}
      detail={<CalibrationAge probe={probe} />}
    />
  )
}

function ProbeValue({ probe, live, shows }: Omit<ProbeCardProps, 'isSelected'>) {
  if (live?.raw == null) return <span aria-label="no value">—</span>
  if (probe.kind === 'ph-electrode' && shows === 'value' && live.value !== null) {
    return (
      <>
        {fixed(live.value, 2)}
        <span className="unit">pH</span>
      </>
    )
  }
  if (probe.kind === 'ph-electrode') {
    return (
      <>
        {signed(live.raw, 1)}
        <span className="unit">mV</span>
      </>
    )
  }
  return (
    <>
      {fixed(live.raw, 1)}
      <span className="unit">{probe.rawUnit}</span>
    </>
  )
}

function StateWord({ state }: { state: LiveProbe['state'] }) {
  if (state === 'steady') return <span className="text-success font-semibold">steady</span>
  if (state === 'settling') return <span className="amber font-semibold">settling</span>
  return <span className="quiet font-semibold">no signal</span>
}

function CalibrationAge({ probe }: { probe: Probe }) {
  const now = useNow(30_000)
  if (probe.kind !== 'ph-electrode') return <>factory setting</>
  const { calibration } = probe
  if (calibration?.keptAt == null || calibration.slopePercent === null) {
    return <span className="amber font-semibold">never calibrated</span>
  }
  const kept = new Date(calibration.keptAt)
  const isOld = daysBetween(kept, now) > FRESH_DAYS
  const isPoor = calibration.verdict?.isUsable === false
  return (
    <span className={isOld || isPoor ? 'amber' : undefined}>
      {fixed(calibration.slopePercent, 1)} % · {dayAndTime(kept, now)}
    </span>
  )
}
