import type { LiveProbe } from '../../lib/api/types'

interface StateWordProps {
  live: LiveProbe | null
  isAlive: boolean
}

/** Beyond this nobody waits with an eye on the number. */
const LONG_S = 90

/** "steady", "settling · 8 s more", "live", "unplugged": whether the number may be read. */
export function StateWord({ live, isAlive }: StateWordProps) {
  if (live === null || live.state === 'silent') return <span className="quiet font-semibold">no signal</span>
  if (live.state === 'unplugged') return <span className="amber font-semibold">unplugged</span>
  if (isAlive) return <span className="quiet font-semibold">live</span>
  if (live.state === 'steady') return <span className="text-success font-semibold">steady</span>
  return (
    <span className="amber font-semibold">
      settling
      {live.secondsMore !== null && live.secondsMore <= LONG_S ? (
        <span className="inline-block font-normal whitespace-pre">
          {' '}
          · about {Math.max(1, Math.round(live.secondsMore))} s
        </span>
      ) : null}
    </span>
  )
}
