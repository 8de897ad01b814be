import type { EChartsType } from 'echarts/core'
import type { Room } from '../../lib/figure/key'
import { WHOLE, type DrawnAxes, type View } from '../../lib/figure/view'
import type { Plot } from '../../lib/figure/viewGesture'
import { drawnAxes } from './drawnAxes'
import { echarts, type FigureOption } from './echarts'
import { FigureView, type Drawn } from './FigureView'
import { listenToHands, type PointerMoment } from './hands'
import { MovedLines } from './MovedLines'
import { Pace } from './Pace'

/** So long after the last move of a hand it is drawn with all its points again. */
const SETTLED_MS = 150

/** Parts of a drawing of which none is left that is not in the next one. */
const REPLACED = ['series', 'xAxis', 'yAxis', 'grid', 'legend', 'graphic'] as const

/** What is drawn, in the room there is, with what is seen of it. */
export type Drawing = (room: Room, view: View) => FigureOption

export interface DrawnHow {
  /** Whether it has so many points that a drawing of parts would be slow. */
  isLarge?: boolean
  /** Whether the wheel draws only x nearer. */
  isAlongX?: boolean
}

interface Wanted extends Required<DrawnHow> {
  option: Drawing
}

/** Owns the drawing of one figure in a host element, and forwards what the pointer does over it. */
export class FigureCanvas {
  private chart: EChartsType
  private renderer: 'svg' | 'canvas' = 'svg'
  private readonly listeners = new Set<(moment: PointerMoment) => void>()
  private readonly watcher: ResizeObserver
  private wanted: Wanted | null = null
  private last: Wanted | null = null
  private readonly pace = new Pace(() => {
    this.paint()
  })
  private isMoving = false
  private settling: ReturnType<typeof setTimeout> | undefined
  private readonly lines = new MovedLines()
  /** What is drawn with all its points, its lines and its key. */
  private still: Drawing | null = null
  private wasMoved = false
  private looked: ((view: View) => void) | null = null
  private whole: { of: Drawing; axes: DrawnAxes | null } | null = null
  private painted: DrawnAxes | null = null
  private readonly hand = new AbortController()
  readonly view = new FigureView(
    () => this.drawn(),
    (view) => {
      this.follow()
      this.looked?.(view)
    },
  )

  /** @param isMovable whether wheel, hands and keys change what is seen of it */
  constructor(
    private readonly host: HTMLElement,
    isMovable = false,
  ) {
    this.chart = echarts.init(host, null, { renderer: this.renderer })
    if (isMovable) {
      const tell = (moment: PointerMoment) => {
        for (const listener of this.listeners) listener(moment)
      }
      listenToHands(host, this.view, tell, this.hand.signal)
    }
    this.watcher = new ResizeObserver(() => {
      this.chart.resize()
      this.still = null
      // In another width names stand in other rows.
      this.again()
    })
    this.watcher.observe(host)
  }

  /**
   * Draws at the pace of this computer.
   *
   * @param option made when it is drawn: reading colours in the middle of a change would make the browser lay out the page twice
   */
  draw(option: Drawing, { isLarge = false, isAlongX = false }: DrawnHow = {}): void {
    this.wanted = { option, isLarge, isAlongX }
    this.pace.whenFree()
  }

  private again(): void {
    if (this.last !== null && this.wanted === null) this.draw(this.last.option, this.last)
  }

  /** Draws at once what a hand moves, with every move: who moves it looks at nothing else. */
  private follow(): void {
    if (this.last === null) return
    this.wanted ??= this.last
    this.isMoving = this.last.isLarge
    clearTimeout(this.settling)
    if (this.isMoving)
      this.settling = setTimeout(() => {
        this.settle()
      }, SETTLED_MS)
    this.pace.atOnce()
  }

  private settle(): void {
    this.isMoving = false
    this.again()
  }

  private paint(): void {
    if (this.wanted === null) return
    const { option, isLarge } = this.wanted
    this.last = this.wanted
    this.wanted = null
    const renderer = isLarge ? 'canvas' : 'svg'
    if (renderer !== this.renderer) {
      this.chart.dispose()
      this.renderer = renderer
      this.chart = echarts.init(this.host, null, { renderer })
    }
    const isMoved = this.isMoving && this.still === option
    const made = isMoved ? this.moved(option) : option(this.room, this.view.view)
    if (!isMoved) this.still = option
    this.wasMoved = isMoved
    this.painted = drawnAxes(made)
    this.chart.setOption(made, { notMerge: false, replaceMerge: [...REPLACED] })
  }

  private moved(option: Drawing): FigureOption {
    const { room } = this
    if (!this.wasMoved) this.lines.keep(this.host.querySelector('canvas'))
    return this.lines.pictured(option({ ...room, isMoving: true }, this.view.view), room)
  }

  /** Called with what is seen whenever that is something else. */
  onLook(listener: (view: View) => void): void {
    this.looked = listener
  }

  /** Called with what a hand does that does not change what is seen. */
  onPointer(listener: (moment: PointerMoment) => void): () => void {
    this.listeners.add(listener)
    return () => {
      this.listeners.delete(listener)
    }
  }

  private drawn(): Drawn | null {
    if (this.last === null) return null
    const { option, isAlongX } = this.last
    // Made anew with what is drawn, not with every move of a hand.
    if (this.whole?.of !== option) this.whole = { of: option, axes: drawnAxes(option(this.room, WHOLE)) }
    const { axes } = this.whole
    return axes === null ? null : { whole: axes, isAlongX, plotOf: (panel) => this.plotOf(panel) }
  }

  /** Where a panel was painted, by the ends of its axes. */
  private plotOf(panel: number): Plot {
    const { x, y } = this.painted ?? { x: null, y: [] }
    const up = y.find((axis) => axis.panel === panel)
    if (x === null || up === undefined) return { left: 0, top: 0, width: this.width, height: this.room.height }
    const [left, bottom] = this.toPixel(panel, x.min, up.min)
    const [right, top] = this.toPixel(panel, x.max, up.max)
    return { left, top, width: right - left, height: bottom - top }
  }

  private get room(): Room {
    return { width: this.host.clientWidth, height: this.host.clientHeight }
  }

  /** Data coordinates of a pixel in the panel with this index. */
  toData(panel: number, x: number, y: number): [number, number] {
    return this.chart.convertFromPixel({ gridIndex: panel }, [x, y]) as [number, number]
  }

  toPixel(panel: number, x: number, y: number): [number, number] {
    return this.chart.convertToPixel({ gridIndex: panel }, [x, y]) as [number, number]
  }

  /** The index of the panel at this height, beside it too; null above and below all panels. */
  panelAt(y: number, panelCount: number): number | null {
    for (let panel = 0; panel < panelCount; panel++) {
      if (this.chart.containPixel({ gridIndex: panel }, [this.width / 2, y])) return panel
    }
    return null
  }

  /** The ends of its axes as they are seen; null where they are words. */
  get seen(): DrawnAxes | null {
    return this.painted
  }

  /** Whether this is at the numbers or the name of an axis: beside the panels or below them. */
  isAtAxis(x: number, y: number): boolean {
    const plots = [...new Set((this.painted?.y ?? []).map(({ panel }) => panel))].map((panel) => this.plotOf(panel))
    const [plot] = plots
    if (plot === undefined) return false
    const bottom = Math.max(...plots.map(({ top, height }) => top + height))
    return y > bottom || (y >= plot.top && (x < plot.left || x > plot.left + plot.width))
  }

  get width(): number {
    return this.host.clientWidth
  }

  close(): void {
    this.pace.stop()
    clearTimeout(this.settling)
    this.hand.abort()
    this.watcher.disconnect()
    this.chart.dispose()
  }
}
