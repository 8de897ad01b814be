import type { Calibration, OneCalibration, Standard } from '../../lib/api/types'
import { axis, niceRange } from '../../lib/figure/axes'
import { runColour, runShape, type Ink } from '../../lib/figure/ink'
import type { FigureOption } from '../figure'
import { standardName, standardValue } from './standardWords'

type Line = NonNullable<OneCalibration['line']>

export function lineFigureOption(calibration: Calibration, now: readonly (number | null)[], ink: Ink): FigureOption {
  const all = [calibration, ...calibration.beside]
  const { from, to } = calibration.range
  const range = niceRange(calibration.unit === 'pH' ? [] : [from, to], { min: from, max: to })
  const points = calibration.standards.filter((standard) => standard.isPoint)
  const next = calibration.state === 'open' ? calibration.standards.find((one) => one.reading === null) : undefined
  const later = points.filter((one) => one.reading === null && one !== next)
  const { expected } = calibration
  const guide = expected ?? calibration.line
  const raws = [
    ...all.flatMap((one) => one.standards.flatMap(({ reading }) => (reading === null ? [] : [reading.raw]))),
    ...now.filter((raw): raw is number => raw !== null && next?.isPoint === true),
    ...(guide === null ? [] : guide.ends.map(({ raw }) => raw)),
  ]
  const rawRange = niceRange(raws.slice(1), { min: raws[0] ?? 0, max: raws[0] ?? 1 })
  const colour = (index: number) => (all.length === 1 ? ink.primary : runColour(ink, index + 1))
  return {
    animation: false,
    grid: { left: 84, right: 32, top: 24, bottom: 58 },
    xAxis: axis(
      ink,
      calibration.unit === 'pH' ? 'pH' : `${quantityWords(calibration)} / ${calibration.unit}`,
      range,
      36,
    ),
    yAxis: axis(ink, `raw signal / ${calibration.probe.rawUnit}`, rawRange, 62),
    series: [
      ...(expected === null ? [] : [drawn('new probe', expected, { color: ink.faint, type: 'dashed', width: 1.5 })]),
      ...all.flatMap((one, index) =>
        one.line === null ? [] : [drawn(`line ${one.probe.serial}`, one.line, { color: colour(index), width: 2 })],
      ),
      ...all.map((one, index) => ({
        name: one.probe.serial,
        type: 'scatter' as const,
        symbol: all.length === 1 ? 'circle' : runShape(index + 1),
        symbolSize: 13,
        itemStyle: { color: colour(index) },
        label: { ...label(ink.text, ink), show: index === 0 },
        data: one.standards
          .filter((standard) => standard.isPoint && standard.reading !== null)
          .map((standard) =>
            named(
              standardValue(valueOf(standard), calibration.unit),
              valueOf(standard),
              standard.reading?.raw ?? 0,
              range,
            ),
          ),
      })),
      {
        name: 'to come',
        type: 'scatter',
        symbolSize: 12,
        itemStyle: { color: 'transparent', borderColor: ink.faint, borderWidth: 2 },
        label: label(ink.quiet, ink),
        data: later.flatMap((one) =>
          one.rawExpected === null
            ? []
            : [named(`${standardName(one)} to come`, one.valueHere, one.rawExpected, range)],
        ),
      },
      ...now.flatMap((raw, index) =>
        next === undefined || raw === null || !next.isPoint
          ? []
          : [
              {
                name: `now ${index}`,
                type: 'scatter' as const,
                symbol: all.length === 1 ? 'circle' : runShape(index + 1),
                symbolSize: 16,
                itemStyle: { color: 'transparent', borderColor: ink.amber, borderWidth: 3 },
                label: { ...label(ink.text, ink), fontWeight: 'bold' as const, show: index === 0 },
                data: [named(`${standardName(next)}, now`, next.valueHere, raw, range)],
              },
            ],
      ),
    ],
  }
}

function quantityWords(calibration: Calibration): string {
  const words: Readonly<Record<string, string>> = {
    '°C': 'temperature',
    kPa: 'pressure',
    N: 'force',
    mL: 'volume',
    mV: 'voltage',
    'µS/cm': 'conductivity',
  }
  return words[calibration.unit] ?? 'quantity'
}

function valueOf(standard: Standard): number {
  return standard.reading?.value ?? standard.valueHere
}

function drawn(name: string, line: Line, lineStyle: object) {
  return {
    name,
    type: 'line' as const,
    data: line.ends.map(({ value, raw }) => [value, raw]),
    symbol: 'none',
    silent: true,
    lineStyle,
  }
}

/** A point with its name, which stands at the left where the figure ends. */
function named(name: string, value: number, raw: number, range: { min: number; max: number }) {
  const isFarRight = value > range.min + 0.66 * (range.max - range.min)
  return { name, value: [value, raw], label: { position: isFarRight ? ('left' as const) : ('right' as const) } }
}

function label(color: string, ink: Ink) {
  return {
    show: true,
    position: 'right' as const,
    distance: 10,
    color,
    fontFamily: ink.sans,
    fontSize: 14,
    formatter: '{b}',
  }
}
