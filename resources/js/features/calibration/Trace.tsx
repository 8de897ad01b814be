import { useEffect, useState } from 'react'
import { traceColumns, withLatest, type TracePoint } from '../../lib/probes/trace'
import { liveProbe, useBenchChannel } from '../probes/useLiveBench'

interface TraceProps {
  benchId: number
  probeId: number
  isSteady: boolean
  /** How much of the past is shown, and over how much of it a reading is averaged. */
  shownS?: number
  windowS: number
  /** A calm signal is not blown up to fill the height; raw unit. */
  leastHeight: number
}

const WIDTH = 260
const HEIGHT = 36

/** The last stretch of the raw signal, so that one sees it come to rest, or beat. */
export function Trace({ benchId, probeId, isSteady, shownS = 60, windowS, leastHeight }: TraceProps) {
  const points = useTrace(benchId, probeId, shownS)
  const end = points[points.length - 1]?.t ?? 0
  const values = points.map(({ v }) => v)
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const half = Math.max(leastHeight, high - low) / 2
  const drawn = traceColumns(points, WIDTH).map(({ t, v }) => {
    const x = WIDTH - ((end - t) / shownS) * WIDTH
    const y = HEIGHT / 2 - ((v - (low + high) / 2) / half) * (HEIGHT / 2 - 2)
    return `${x.toFixed(1)},${y.toFixed(1)}`
  })
  const windowWidth = (WIDTH * windowS) / shownS
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none" className="h-9 w-full" aria-hidden="true">
      {isSteady ? <rect x={WIDTH - windowWidth} width={windowWidth} height={HEIGHT} fill="var(--green-paper)" /> : null}
      {points.length < 2 ? null : (
        <polyline points={drawn.join(' ')} fill="none" stroke="var(--color-primary)" strokeWidth="2" />
      )}
    </svg>
  )
}

function useTrace(benchId: number, probeId: number, shownS: number): readonly TracePoint[] {
  const [points, setPoints] = useState<readonly TracePoint[]>([])
  const channel = useBenchChannel(benchId)
  useEffect(
    () =>
      channel.subscribe(() => {
        const bench = channel.value?.get(benchId) ?? null
        const probe = liveProbe(bench, probeId)
        if (bench?.time == null || probe?.raw == null) return
        const values = probe.recent.length > 0 ? probe.recent : [probe.raw]
        const { time } = bench
        setPoints((kept) => withLatest(kept, time, values, shownS))
      }),
    [channel, benchId, probeId, shownS],
  )
  return points
}
