import type { PlanRange, Run } from '../../lib/api/types'
import { axis, niceRange } from '../../lib/figure/axes'
import { runColour, runShape, type Ink } from '../../lib/figure/ink'
import { setAsideSeries, usedPoints } from '../../lib/figure/readings'
import { volume } from '../../lib/format'
import type { FigureOption } from '../figure'

interface RunFigureInput {
  titrant: string
  plan: readonly PlanRange[]
  run: Run | null
  earlier: Run | null
  next: number | null
}

const CLOSE_TO_AXIS_ML = 1.5

export function runFigureOption({ titrant, plan, run, earlier, next }: RunFigureInput, ink: Ink): FigureOption {
  const readings = [...(earlier?.readings ?? []), ...(run?.readings ?? [])]
  const volumes = readings.map((reading) => reading.volume)
  const phs = readings.flatMap((reading) => (reading.ph === null ? [] : [reading.ph.value]))
  const end = plan[plan.length - 1]?.to ?? 20
  return {
    animation: false,
    grid: { left: 62, right: 30, top: 30, bottom: 58 },
    xAxis: axis(ink, `volume of ${titrant} added / mL`, niceRange(volumes, { min: 0, max: end }), 34),
    yAxis: axis(ink, 'pH', { ...niceRange(phs, { min: 2, max: 12 }), step: 2 }, 40),
    dataZoom: [{ type: 'inside', xAxisIndex: 0, zoomOnMouseWheel: true, moveOnMouseMove: true, filterMode: 'none' }],
    series: [
      ...(earlier === null ? [] : [earlierSeries(earlier, ink)]),
      ...(run === null ? [] : [currentSeries(run, next, ink), setAsideSeries(run.readings, ink)]),
    ],
  }
}

function endLabel(text: string, color: string, isBold: boolean, ink: Ink) {
  return {
    show: true,
    formatter: text,
    color,
    fontFamily: ink.sans,
    fontSize: 14,
    fontWeight: isBold ? ('bold' as const) : ('normal' as const),
  }
}

/** The run before this one: hollow and faint, to compare with. */
function earlierSeries(run: Run, ink: Ink) {
  return {
    name: `Run ${run.number}`,
    type: 'line' as const,
    data: usedPoints(run.readings),
    symbol: runShape(run.number + 1),
    symbolSize: 9,
    itemStyle: { color: ink.paper, borderColor: ink.faint, borderWidth: 1.5 },
    lineStyle: { color: ink.faint, width: 1 },
    endLabel: { ...endLabel(`Run ${run.number}`, ink.quiet, false, ink), offset: [-52, 16] },
    silent: true,
  }
}

function currentSeries(run: Run, next: number | null, ink: Ink) {
  const colour = runColour(ink, run.number)
  return {
    name: `Run ${run.number}`,
    type: 'line' as const,
    data: usedPoints(run.readings),
    symbol: runShape(1),
    symbolSize: 9,
    itemStyle: { color: colour },
    lineStyle: { color: colour, width: 1.5 },
    endLabel: { ...endLabel(`Run ${run.number}`, colour, true, ink), distance: 8 },
    ...(next === null
      ? {}
      : {
          markLine: {
            silent: true,
            symbol: 'none',
            lineStyle: { color: ink.primary, type: 'dotted' as const, width: 2 },
            label: {
              formatter: `next ${volume(next)}`,
              color: ink.primary,
              fontFamily: ink.sans,
              fontSize: 14,
              position: 'end' as const,
              // Beside the axis it must not stand on the uppermost number of the other one.
              align: next < CLOSE_TO_AXIS_ML ? ('left' as const) : ('center' as const),
            },
            data: [{ xAxis: next }],
          },
        }),
  }
}
