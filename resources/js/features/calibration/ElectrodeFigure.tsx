import { useCallback } from 'react'
import type { Calibration, Standard } from '../../lib/api/types'
import { axis, niceRange } from '../../lib/figure/axes'
import type { Ink } from '../../lib/figure/ink'
import { fixed, signed } from '../../lib/format'
import { Figure, type FigureOption } from '../figure'

const IDEAL_SLOPE_25_MV = 59.16

interface ElectrodeFigureProps {
  calibration: Calibration
  /** The live voltage, drawn at the standard that is next. */
  nowMv: number | null
}

export function ElectrodeFigure({ calibration, nowMv }: ElectrodeFigureProps) {
  // Half a millivolt is far below a pixel; rounding spares redrawing for noise.
  const shownMv = nowMv === null ? null : Math.round(nowMv * 2) / 2
  const option = useCallback((ink: Ink) => electrodeOption(calibration, shownMv, ink), [calibration, shownMv])
  const read = calibration.standards.flatMap(({ label, reading }) =>
    reading === null ? [] : [`${signed(reading.millivolts, 1)} mV at pH ${label}`],
  )
  const summary =
    `Electrode voltage against pH. ${read.length === 0 ? 'No standard read yet.' : read.join(', ') + '.'}` +
    (calibration.line === null ? '' : ` Slope ${fixed(calibration.line.slopePercent, 1)} % of ideal.`)
  return <Figure option={option} summary={summary} />
}

function phOf(standard: Standard): number {
  return standard.reading?.ph ?? standard.ph
}

function electrodeOption(calibration: Calibration, nowMv: number | null, ink: Ink): FigureOption {
  const { line, standards } = calibration
  const idealSlope = line?.idealSlope ?? IDEAL_SLOPE_25_MV
  const ends = [2, 12]
  const read = standards.filter((standard) => standard.reading !== null)
  const next = calibration.state === 'open' ? standards.find((standard) => standard.reading === null) : undefined
  const later = standards.filter((standard) => standard.reading === null && standard !== next)
  const voltages = [...read.map((standard) => standard.reading?.millivolts ?? 0), ...(nowMv === null ? [] : [nowMv])]
  const label = (color: string) => ({
    show: true,
    position: 'right' as const,
    distance: 10,
    color,
    fontFamily: ink.sans,
    fontSize: 14,
    formatter: '{b}',
  })
  return {
    animation: false,
    grid: { left: 74, right: 24, top: 24, bottom: 58 },
    xAxis: axis(ink, 'pH', { min: 2, max: 12, step: 2 }, 36),
    yAxis: axis(ink, 'electrode / mV', niceRange(voltages, { min: -300, max: 300 }), 52),
    series: [
      {
        name: 'ideal',
        type: 'line',
        data: ends.map((ph) => [ph, -idealSlope * (ph - 7)]),
        symbol: 'none',
        silent: true,
        lineStyle: { color: ink.faint, type: 'dashed', width: 1.5 },
      },
      ...(line === null
        ? []
        : [
            {
              name: 'line',
              type: 'line' as const,
              data: ends.map((ph) => [ph, line.offset - line.slope * (ph - 7)]),
              symbol: 'none',
              silent: true,
              lineStyle: { color: ink.primary, width: 2 },
            },
          ]),
      {
        name: 'read',
        type: 'scatter',
        symbolSize: 13,
        itemStyle: { color: ink.primary },
        label: label(ink.text),
        data: read.map((standard) => ({
          name: fixed(phOf(standard), 2),
          value: [phOf(standard), standard.reading?.millivolts ?? 0],
        })),
      },
      {
        name: 'to come',
        type: 'scatter',
        symbolSize: 12,
        itemStyle: { color: 'transparent', borderColor: ink.faint, borderWidth: 2 },
        label: label(ink.quiet),
        data: later.map((standard) => ({
          name: `${standard.label} to come`,
          value: [standard.ph, -idealSlope * (standard.ph - 7)],
        })),
      },
      ...(next === undefined || nowMv === null
        ? []
        : [
            {
              name: 'now',
              type: 'scatter' as const,
              symbolSize: 16,
              itemStyle: { color: 'transparent', borderColor: ink.amber, borderWidth: 3 },
              label: { ...label(ink.text), fontWeight: 'bold' as const },
              data: [{ name: `${next.label}, now`, value: [next.ph, nowMv] }],
            },
          ]),
    ],
  }
}
