import { useCallback } from 'react'
import type { CalibrationSummary } from '../../lib/api/types'
import type { Ink } from '../../lib/figure/ink'
import { fixed } from '../../lib/format'
import { Figure, type FigureOption } from '../figure'

const REPLACE_BELOW_PERCENT = 85
const DAY_MS = 86_400_000

interface SlopeHistoryProps {
  calibrations: readonly CalibrationSummary[]
  isSmall?: boolean
}

/** How the slope has changed over the calibrations kept. */
export function SlopeHistory({ calibrations, isSmall = false }: SlopeHistoryProps) {
  const option = useCallback((ink: Ink) => historyOption(calibrations, ink, isSmall), [calibrations, isSmall])
  const first = calibrations[0]
  const last = calibrations[calibrations.length - 1]
  const summary =
    first?.slopePercent != null && last?.slopePercent != null
      ? `Slope in percent of ideal over ${calibrations.length} calibrations, from ${fixed(first.slopePercent, 1)} to ${fixed(last.slopePercent, 1)}.`
      : 'No calibrations yet.'
  return <Figure option={option} summary={summary} />
}

function historyOption(calibrations: readonly CalibrationSummary[], ink: Ink, isSmall: boolean): FigureOption {
  const points = calibrations.flatMap((calibration) =>
    calibration.keptAt !== null && calibration.slopePercent !== null
      ? [[new Date(calibration.keptAt).getTime(), calibration.slopePercent]]
      : [],
  )
  const lowest = Math.min(REPLACE_BELOW_PERCENT - 1, ...points.map((point) => point[1] ?? 0))
  const labelSize = isSmall ? 11 : 13
  return {
    animation: false,
    grid: { left: isSmall ? 34 : 52, right: isSmall ? 10 : 24, top: isSmall ? 10 : 24, bottom: isSmall ? 24 : 44 },
    xAxis: {
      type: 'time',
      axisLine: { lineStyle: { color: ink.text } },
      axisLabel: {
        color: ink.text,
        fontFamily: ink.sans,
        fontSize: labelSize,
        hideOverlap: true,
        formatter: isSmall ? '{MMM}' : '{d} {MMM}',
      },
      ...(isSmall ? { minInterval: 28 * DAY_MS } : { splitNumber: 6 }),
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: Math.floor(lowest / 4) * 4,
      max: 104,
      interval: isSmall ? 10 : 4,
      axisLabel: { color: ink.text, fontFamily: ink.mono, fontSize: labelSize },
      splitLine: { lineStyle: { color: ink.grid } },
    },
    series: [
      {
        type: 'line',
        data: points,
        symbol: 'circle',
        symbolSize: isSmall ? 6 : 9,
        lineStyle: { color: ink.primary, width: 1.5 },
        itemStyle: { color: ink.primary },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: ink.error, type: 'dashed' },
          label: isSmall
            ? { show: false }
            : { formatter: 'replace below 85 %', position: 'insideStartTop', color: ink.error, fontFamily: ink.sans },
          data: [{ yAxis: REPLACE_BELOW_PERCENT }],
        },
      },
    ],
  }
}
