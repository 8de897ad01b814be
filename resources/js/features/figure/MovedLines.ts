import { BELOW_KEY_PX, type Room } from '../../lib/figure/key'
import { alongAxis, plotIn, type Placed } from '../../lib/figure/plot'
import { drawnAxes } from './drawnAxes'
import type { FigureOption } from './echarts'

/** A line whose points are packed: x, y, x, y … */
interface PackedLine {
  data: Float64Array
  xAxisIndex: number
  yAxisIndex: number
  lineStyle: { color: string; width: number; type: 'solid' | 'dashed' }
}

/** A dash and the gap behind it, in widths of the line: as the drawing library has them. */
const DASHES = [4, 2]
/** Above the grid and below the names and marks of the lines. */
const LAYER = 2

/**
 * Draws the lines of a figure as one picture while a hand moves it. The drawing library makes dozens of objects for each of them with
 * every drawing, and a broad stroke with many corners is what a browser without a graphics card fills slowest: hairlines beside each
 * other look the same in a fraction of the time.
 */
export class MovedLines {
  private readonly key = document.createElement('canvas')
  private readonly picture = document.createElement('canvas')

  /** Keeps a figure as it is drawn, for its key, which stays where it is; null: nothing is drawn. */
  keep(drawn: HTMLCanvasElement | null): void {
    this.key.width = drawn?.width ?? 0
    this.key.height = drawn?.height ?? 0
    if (drawn !== null && drawn.width > 0) this.key.getContext('2d')?.drawImage(drawn, 0, 0)
  }

  /** The same figure with a picture in place of its lines and its key. */
  pictured(option: FigureOption, room: Room): FigureOption {
    const all = option.series as readonly { data?: unknown }[]
    const isPacked = (one: { data?: unknown }): one is PackedLine => one.data instanceof Float64Array
    this.draw(all.filter(isPacked), option, room)
    const { width, height } = room
    return {
      ...option,
      legend: undefined,
      series: all.filter((one) => !isPacked(one)),
      graphic: [{ type: 'image', z: LAYER, silent: true, style: { image: this.picture, x: 0, y: 0, width, height } }],
    } as unknown as FigureOption
  }

  private draw(lines: readonly PackedLine[], option: FigureOption, room: Room): void {
    const axes = drawnAxes(option)
    const plots = ((option.grid ?? []) as readonly Placed[]).map((grid) => plotIn(grid, room))
    const [first] = plots
    this.picture.width = room.width * devicePixelRatio
    this.picture.height = room.height * devicePixelRatio
    const pen = this.picture.getContext('2d')
    if (pen === null || axes === null || first === undefined) return
    pen.scale(devicePixelRatio, devicePixelRatio)
    const keyHeight = first.top - BELOW_KEY_PX
    if (keyHeight > 0 && this.key.width > 0) {
      const dots = this.key.width / room.width
      pen.drawImage(this.key, 0, 0, this.key.width, keyHeight * dots, 0, 0, room.width, keyHeight)
    }
    for (const { data, xAxisIndex, yAxisIndex, lineStyle } of lines) {
      const [plot, y] = [plots[xAxisIndex], axes.y[yAxisIndex]]
      if (plot === undefined || y === undefined) continue
      const { left, top, width, height } = plot
      pen.save()
      pen.beginPath()
      pen.rect(left, top, width, height)
      pen.clip()
      trace(pen, data, alongAxis(axes.x, left, left + width), alongAxis(y, top + height, top))
      pen.strokeStyle = lineStyle.color
      if (lineStyle.type === 'dashed') pen.setLineDash(DASHES.map((part) => part * lineStyle.width))
      strokeOf(pen, lineStyle.width)
      pen.restore()
    }
  }
}

type Along = (value: number) => number

/** The path of a line, which a point without a place parts. */
function trace(pen: CanvasRenderingContext2D, data: Float64Array, toX: Along, toY: Along): void {
  pen.beginPath()
  let isDown = false
  for (let i = 0; i + 1 < data.length; i += 2) {
    const [x, y] = [toX(data[i] ?? NaN), toY(data[i + 1] ?? NaN)]
    if (isDown) pen.lineTo(x, y)
    else pen.moveTo(x, y)
    isDown = !Number.isNaN(y)
  }
}

/** A path in some width, as hairlines one dot apart: to the sides for what is steep, up and down for what is not. */
function strokeOf(pen: CanvasRenderingContext2D, width: number): void {
  const hair = 1 / devicePixelRatio
  const count = Math.max(1, Math.ceil(width / hair))
  pen.lineWidth = hair
  for (let k = 0; k < count; k++) {
    const off = count === 1 ? 0 : (k / (count - 1) - 0.5) * (width - hair)
    for (const [right, down] of [
      [off, 0],
      [0, off],
    ] as const) {
      pen.translate(right, down)
      pen.stroke()
      pen.translate(-right, -down)
    }
  }
}
