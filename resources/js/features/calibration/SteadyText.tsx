import type { LiveProbe } from '../../lib/api/types'
import { signed } from '../../lib/format'

interface SteadyTextProps {
  live: LiveProbe | null
  unit: string
  decimals: number
  /** In units per minute. */
  drift: number
}

/** Beyond this it only matters that it is long. */
const LONG_S = 60

/** "steady for 11 s" or "settling · about 8 s more · +0.08 pH/min": always the same two words. */
export function SteadyText({ live, unit, decimals, drift }: SteadyTextProps) {
  if (live?.state === 'unplugged') {
    return (
      <p role="alert">
        <strong className="amber">Unplugged.</strong> Plug it in again; what was read is kept.
      </p>
    )
  }
  if (live === null || live.state === 'silent') return <p className="quiet">Waiting for the probe …</p>
  const driftText = `${signed(drift, decimals)} ${unit}/min`
  if (live.state !== 'steady') {
    return (
      <p>
        <strong className="amber">settling</strong>
        {live.secondsMore === null ? '' : ` · about ${Math.max(1, Math.round(live.secondsMore))} s more`} · {driftText}
      </p>
    )
  }
  return (
    <p>
      <strong className="text-success">steady</strong> {lengthWords(live.steadyForS)} · {driftText}
    </p>
  )
}

function lengthWords(seconds: number): string {
  return seconds > LONG_S ? 'for over a minute' : `for ${Math.round(seconds)} s`
}
