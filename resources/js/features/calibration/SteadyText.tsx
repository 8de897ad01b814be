import type { LiveProbe } from '../../lib/api/types'
import { signed } from '../../lib/format'

interface SteadyTextProps {
  live: LiveProbe | null
  unit: string
  decimals: number
  /** In units per minute. */
  drift: number
}

/** "steady for 11 s" or "settling · +0.08 pH per min": always the same two words. */
export function SteadyText({ live, unit, decimals, drift }: SteadyTextProps) {
  if (live === null || live.state === 'silent') return <p className="quiet">Waiting for the probe …</p>
  const driftText = `${signed(drift, decimals)} ${unit} per min`
  return live.state === 'steady' ? (
    <p>
      <strong className="text-success">steady</strong> for <span className="num">{Math.round(live.steadyForS)}</span> s
      · drift {driftText}
    </p>
  ) : (
    <p>
      <strong className="amber">settling</strong> · {driftText}
    </p>
  )
}
