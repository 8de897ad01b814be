import type { Reading } from '../api/types'
import { STRUCK, type Ink } from './ink'

type Point = [number, number]

export function usedPoints(readings: readonly Reading[]): Point[] {
  return readings.flatMap((reading) =>
    reading.ph === null || reading.setAsideReason !== null ? [] : [[reading.volume, reading.ph.value] as Point],
  )
}

export function setAsidePoints(readings: readonly Reading[]): Point[] {
  return readings.flatMap((reading) =>
    reading.ph === null || reading.setAsideReason === null ? [] : [[reading.volume, reading.ph.value] as Point],
  )
}

/** Readings that are shown but not used: hollow, struck through, with their name. */
export function setAsideSeries(readings: readonly Reading[], ink: Ink) {
  return {
    name: 'set aside',
    type: 'scatter' as const,
    data: setAsidePoints(readings),
    symbol: STRUCK,
    symbolSize: 14,
    itemStyle: { color: ink.quiet },
    label: {
      show: true,
      position: 'bottom' as const,
      formatter: 'set aside',
      color: ink.quiet,
      fontFamily: ink.sans,
      fontSize: 13,
    },
    silent: true,
  }
}
