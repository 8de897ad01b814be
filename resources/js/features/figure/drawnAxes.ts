import type { DrawnAxes } from '../../lib/figure/view'
import type { FigureOption } from './echarts'

interface AxisOption {
  type?: string
  min?: unknown
  max?: unknown
  gridIndex?: number
}

/** The axes of what is drawn; null where they are not told by their ends. */
export function drawnAxes(option: FigureOption): DrawnAxes | null {
  const all = (axes: unknown) => (Array.isArray(axes) ? axes : [axes]) as AxisOption[]
  const read = ({ type, min, max, gridIndex = 0 }: AxisOption) =>
    typeof min === 'number' && typeof max === 'number'
      ? { min, max, isLogarithmic: type === 'log', panel: gridIndex }
      : null
  const [x] = all(option.xAxis ?? []).map(read)
  const y = all(option.yAxis ?? []).map(read)
  if (x == null || y.some((axis) => axis === null)) return null
  return { x, y: y.filter((axis) => axis !== null) }
}
