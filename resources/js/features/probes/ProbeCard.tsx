import type { LiveProbe, Probe } from '../../lib/api/types'
import { shownOf } from '../../lib/probes/shown'
import { ShelfCard } from './ShelfCard'
import { StateWord } from './StateWord'
import { TrustText } from './TrustText'

interface ProbeCardProps {
  probe: Probe
  live: LiveProbe | null
  /** While it is calibrated the raw signal matters, otherwise the quantity. */
  shows: 'raw' | 'value'
  isSelected: boolean
  /** The bench it is at, where that is another one. */
  at?: string
}

export function ProbeCard({ probe, live, shows, isSelected, at }: ProbeCardProps) {
  return (
    <ShelfCard
      title={probe.title}
      isSelected={isSelected}
      value={<ProbeValue probe={probe} live={live} shows={shows} />}
      // A calibration is taken at rest, of what lives too.
      state={<StateWord live={live} isAlive={probe.isAlive && !isSelected} />}
      detail={
        <>
          {at === undefined ? null : `at ${at} · `}
          <TrustText probe={probe} />
        </>
      }
    />
  )
}

export function ProbeValue({ probe, live, shows }: Omit<ProbeCardProps, 'isSelected' | 'at'>) {
  const shown = shownOf(probe, live, shows)
  if (shown === null) return <span aria-label="no value">—</span>
  return (
    <>
      {shown.text}
      <span className="unit">{shown.unit}</span>
    </>
  )
}
