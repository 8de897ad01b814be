import { useEffect, useState } from 'react'
import type { LiveBench } from '../../lib/api/types'
import { liveChannel } from '../../lib/live/liveChannel'
import { liveProbe } from '../probes/useLiveBench'

interface TraceProps {
  benchId: number
  probeId: number
  isSteady: boolean
}

interface Sample {
  t: number
  v: number
}

const SHOWN_S = 60
const WINDOW_S = 10
const WIDTH = 260
const HEIGHT = 36
/** A calm signal is not blown up to fill the height. */
const LEAST_HEIGHT_MV = 6

/** The last minute of the voltage, so that one sees it come to rest. */
export function Trace({ benchId, probeId, isSteady }: TraceProps) {
  const samples = useTrace(benchId, probeId)
  if (samples.length < 2) return <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="h-9 w-full" aria-hidden="true" />
  const end = samples[samples.length - 1]?.t ?? 0
  const values = samples.map(({ v }) => v)
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const half = Math.max(LEAST_HEIGHT_MV, high - low) / 2
  const points = samples.map(({ t, v }) => {
    const x = WIDTH - ((end - t) / SHOWN_S) * WIDTH
    const y = HEIGHT / 2 - ((v - (low + high) / 2) / half) * (HEIGHT / 2 - 2)
    return `${x.toFixed(1)},${y.toFixed(1)}`
  })
  const windowWidth = (WIDTH * WINDOW_S) / SHOWN_S
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none" className="h-9 w-full" aria-hidden="true">
      {isSteady ? <rect x={WIDTH - windowWidth} width={windowWidth} height={HEIGHT} fill="var(--green-paper)" /> : null}
      <polyline points={points.join(' ')} fill="none" stroke="var(--color-primary)" strokeWidth="2" />
    </svg>
  )
}

function useTrace(benchId: number, probeId: number): readonly Sample[] {
  const [samples, setSamples] = useState<readonly Sample[]>([])
  useEffect(() => {
    const channel = liveChannel<LiveBench>(`bench-${benchId}`)
    return channel.subscribe(() => {
      const time = channel.value?.time ?? null
      const value = liveProbe(channel.value, probeId)?.raw ?? null
      if (time === null || value === null) return
      setSamples((kept) => [...kept.filter(({ t }) => t > time - SHOWN_S && t < time), { t: time, v: value }])
    })
  }, [benchId, probeId])
  return samples
}
