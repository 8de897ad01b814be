import type { Working } from '../../lib/api/types'
import { axis, niceRange } from '../../lib/figure/axes'
import { runColour, runShape, type Ink } from '../../lib/figure/ink'
import { setAsideSeries, usedPoints } from '../../lib/figure/readings'
import type { Selection } from '../../lib/figure/selection'
import { circled } from '../../lib/format'
import type { FigureOption } from '../figure'

export interface ReasonFigureInput {
  titrant: string
  working: Working
  selection: Selection
  /** The lower panel shows the first or the second derivative. */
  derivative: 1 | 2
}

const UPPER = 0
const LOWER = 1

export function reasonFigureOption(
  { titrant, working, selection, derivative }: ReasonFigureInput,
  ink: Ink,
): FigureOption {
  const volumes = working.readings.map((reading) => reading.volume)
  const phs = working.readings.flatMap((reading) => (reading.ph === null ? [] : [reading.ph.value]))
  const slopes = derivative === 1 ? working.firstDerivative : working.secondDerivative
  const x = niceRange(volumes, { min: 0, max: 1 })
  const lowerColour = derivative === 1 ? ink.derivative : ink.secondDerivative
  return {
    animation: false,
    grid: [
      { left: 66, right: 24, top: 12, height: '56%' },
      { left: 66, right: 24, top: '63.5%', bottom: 52 },
    ],
    xAxis: [
      { ...axis(ink, '', x, 0), gridIndex: UPPER, axisLabel: { show: false } },
      { ...axis(ink, `volume of ${titrant} added / mL`, x, 30), gridIndex: LOWER },
    ],
    yAxis: [
      { ...axis(ink, 'pH', { ...niceRange(phs, { min: 2, max: 12 }), step: 2 }, 40), gridIndex: UPPER },
      {
        ...axis(
          ink,
          derivative === 1 ? 'd(pH)/dV / mL⁻¹' : 'd²(pH)/dV² / mL⁻²',
          niceRange(
            slopes.map((point) => point[1] ?? 0),
            { min: 0, max: 1 },
          ),
          40,
        ),
        gridIndex: LOWER,
        minorTick: { show: false },
        minorSplitLine: { show: false },
      },
    ],
    dataZoom: [
      {
        type: 'inside',
        xAxisIndex: [UPPER, LOWER],
        zoomOnMouseWheel: true,
        moveOnMouseMove: false,
        filterMode: 'none',
      },
    ],
    series: [
      {
        name: 'pH',
        type: 'line',
        xAxisIndex: UPPER,
        yAxisIndex: UPPER,
        data: usedPoints(working.readings),
        symbol: runShape(working.runNumber),
        symbolSize: 9,
        itemStyle: { color: runColour(ink, working.runNumber) },
        lineStyle: { color: runColour(ink, working.runNumber), width: 1.5 },
        silent: true,
        markLine: equivalenceLine(working, ink, true),
        markArea: spanArea(working, selection, ink),
      },
      { ...setAsideSeries(working.readings, ink), xAxisIndex: UPPER, yAxisIndex: UPPER },
      ...pickedSeries(working, selection, ink),
      ...pkaSeries(working, ink),
      {
        name: 'derivative',
        type: 'line',
        xAxisIndex: LOWER,
        yAxisIndex: LOWER,
        data: slopes,
        symbol: 'circle',
        symbolSize: 5,
        itemStyle: { color: lowerColour },
        lineStyle: { color: lowerColour, width: 1.5 },
        silent: true,
        markLine: equivalenceLine(working, ink, false),
        markArea: spanArea(working, selection, ink),
      },
    ],
  }
}

function equivalenceLine(working: Working, ink: Ink, isNamed: boolean) {
  const line = working.lines[0]
  const result = line?.result
  if (line === undefined || result == null) return { data: [] }
  return {
    silent: true,
    symbol: 'none',
    lineStyle: { color: ink.primary, width: 1.5, type: 'solid' as const },
    label: isNamed
      ? {
          formatter: `${circled(line.number)} ${result.shownValue} mL`,
          position: 'insideStartBottom' as const,
          rotate: 0,
          align: 'left' as const,
          color: ink.primary,
          fontFamily: ink.sans,
          fontWeight: 'bold' as const,
          fontSize: 14,
          distance: [8, -22],
        }
      : { show: false },
    data: [{ xAxis: result.value }],
  }
}

/** The span being worked on, and behind it the one the working uses. */
function spanArea(working: Working, selection: Selection, ink: Ink) {
  const spans: [number, number, number][] = []
  const [from, to] = working.span ?? []
  if (from !== undefined && to !== undefined) spans.push([from, to, 0.1])
  if (selection.kind === 'span') spans.push([selection.from, selection.to, 0.12])
  return {
    silent: true,
    data: spans.map(([start, end, opacity]): [object, object] => [
      { xAxis: start, itemStyle: { color: ink.primary, opacity } },
      { xAxis: end },
    ]),
  }
}

function pickedSeries(working: Working, selection: Selection, ink: Ink) {
  const reading = selection.kind === 'reading' ? working.readings.find(({ id }) => id === selection.id) : undefined
  if (reading?.ph == null) return []
  return [
    {
      name: 'picked',
      type: 'scatter' as const,
      xAxisIndex: UPPER,
      yAxisIndex: UPPER,
      data: [[reading.volume, reading.ph.value]],
      symbolSize: 18,
      itemStyle: { color: 'transparent', borderColor: ink.amber, borderWidth: 3 },
      silent: true,
    },
  ]
}

function pkaSeries(working: Working, ink: Ink) {
  const equivalence = working.lines[0]?.result
  const half = working.lines[1]
  if (equivalence == null || half?.result == null) return []
  return [
    {
      name: 'half-equivalence',
      type: 'scatter' as const,
      xAxisIndex: UPPER,
      yAxisIndex: UPPER,
      data: [[equivalence.value / 2, half.result.value]],
      symbolSize: 16,
      itemStyle: { color: 'transparent', borderColor: ink.primary, borderWidth: 2 },
      label: {
        show: true,
        position: 'top' as const,
        formatter: `${circled(half.number)} pKₐ`,
        color: ink.primary,
        fontFamily: ink.sans,
        fontWeight: 'bold' as const,
        fontSize: 14,
      },
      silent: true,
    },
  ]
}
