import type { KeptCalibration, KeyFigure } from '../../lib/api/types'
import { niceRange } from '../../lib/figure/axes'
import { STRUCK, type Ink } from '../../lib/figure/ink'
import { fixed } from '../../lib/format'
import type { FigureOption } from '../figure'

const DAY_MS = 86_400_000
/** Over so long a time months say enough. */
const MONTHS_FROM_DAYS = 50

interface HistoryPoint {
  at: number
  figure: KeyFigure
  isAside: boolean
}

/** Calibrations that were read in standards, in the unit of the latest: others say nothing about the probe. */
export function historyPoints(calibrations: readonly KeptCalibration[]): readonly HistoryPoint[] {
  const read = calibrations.filter(({ origin }) => origin === 'read')
  const unit = read[read.length - 1]?.unit
  return read.flatMap((one) => {
    const [figure] = one.keyFigures
    return one.unit !== unit || figure === undefined || one.keptAt === null
      ? []
      : [{ at: new Date(one.keptAt).getTime(), figure, isAside: one.setAsideReason !== null }]
  })
}

export function historyOption(calibrations: readonly KeptCalibration[], ink: Ink, isSmall: boolean): FigureOption {
  const points = historyPoints(calibrations)
  const latest = points[points.length - 1]?.figure
  const values = points.map(({ figure }) => figure.measured.value)
  // The line below which it is of no use stays clear of the axis.
  const lowest = latest?.usableFrom == null ? null : latest.usableFrom * 0.99
  const limits = [latest?.goodFrom, latest?.goodTo, lowest].filter((one): one is number => one != null)
  const all = [...values, ...limits]
  const middle = all[0] ?? 1
  const range = niceRange(all, { min: middle, max: middle === 0 ? 1 : middle })
  const labelSize = isSmall ? 11 : 13
  const isLong = (points[points.length - 1]?.at ?? 0) - (points[0]?.at ?? 0) > MONTHS_FROM_DAYS * DAY_MS
  const data = (isAside: boolean) =>
    points.filter((point) => point.isAside === isAside).map(({ at, figure }) => [at, figure.measured.value])
  return {
    animation: false,
    grid: { left: isSmall ? 40 : 64, right: isSmall ? 12 : 24, top: isSmall ? 10 : 20, bottom: isSmall ? 24 : 34 },
    xAxis: {
      type: 'time',
      axisLine: { onZero: false, lineStyle: { color: ink.text } },
      axisLabel: {
        color: ink.text,
        fontFamily: ink.sans,
        fontSize: labelSize,
        hideOverlap: true,
        formatter: isLong ? '{MMM}' : '{d} {MMM}',
      },
      ...(isLong ? { minInterval: 28 * DAY_MS } : { splitNumber: 4, minInterval: DAY_MS }),
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: range.min,
      max: range.max,
      interval: isSmall ? (range.max - range.min) / 2 : range.step,
      axisLabel: {
        color: ink.text,
        fontFamily: ink.mono,
        fontSize: labelSize,
        formatter: (value: number) => fixed(value, Math.abs(range.max) < 10 ? 2 : 0),
      },
      splitLine: { lineStyle: { color: ink.grid } },
    },
    series: [
      {
        type: 'line',
        data: data(false),
        symbol: 'circle',
        symbolSize: isSmall ? 6 : 9,
        lineStyle: { color: ink.primary, width: 1.5 },
        itemStyle: { color: ink.primary },
        ...(latest?.usableFrom == null
          ? {}
          : {
              markLine: {
                silent: true,
                symbol: 'none',
                lineStyle: { color: ink.error, type: 'dashed' as const },
                label: isSmall
                  ? { show: false }
                  : {
                      formatter: `replace below ${latest.usableFrom} ${latest.measured.unit}`,
                      position: 'insideStartTop' as const,
                      color: ink.error,
                      fontFamily: ink.sans,
                    },
                data: [{ yAxis: latest.usableFrom }],
              },
            }),
        ...(latest?.goodFrom == null || latest.goodTo == null
          ? {}
          : {
              markArea: {
                silent: true,
                itemStyle: { color: ink.primary, opacity: 0.07 },
                data: [[{ yAxis: latest.goodFrom }, { yAxis: latest.goodTo }]],
              },
            }),
      },
      { type: 'scatter', data: data(true), symbol: STRUCK, symbolSize: 12, itemStyle: { color: ink.quiet } },
    ],
  }
}
