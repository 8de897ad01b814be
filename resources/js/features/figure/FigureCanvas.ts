import type { EChartsType } from 'echarts/core'
import type { Room } from '../../lib/figure/key'
import { echarts, type FigureOption } from './echarts'

export interface PointerMoment {
  kind: 'down' | 'move' | 'up'
  x: number
  y: number
}

/** So much longer than a drawing took, the page is free for all else. */
const REST_SHARE = 2

interface Zoom {
  start?: number
  end?: number
  startValue?: number
  endValue?: number
}

interface Wanted {
  option: (room: Room) => FigureOption
  isLarge: boolean
}

const NEVER_DRAWN = -Infinity

/** Owns the drawing of one figure in a host element, and forwards what the pointer does over it. */
export class FigureCanvas {
  private chart: EChartsType
  private renderer: 'svg' | 'canvas' = 'svg'
  private readonly listeners = new Map<(moment: PointerMoment) => void, () => void>()
  private readonly watcher: ResizeObserver
  private wanted: Wanted | null = null
  private last: Wanted | null = null
  private frame: number | null = null
  private timer: ReturnType<typeof setTimeout> | null = null
  private freeAt = NEVER_DRAWN
  private zoomed: ((seen: { from: number; to: number } | null) => void) | null = null

  constructor(private readonly host: HTMLElement) {
    this.chart = echarts.init(host, null, { renderer: this.renderer })
    this.listenToZoom()
    this.watcher = new ResizeObserver(() => {
      this.chart.resize()
      // In another width names stand in other rows.
      if (this.last !== null && this.wanted === null) this.draw(this.last.option, this.last.isLarge)
    })
    this.watcher.observe(host)
  }

  /**
   * Draws at the pace of this computer: what comes while it is still busy with the last drawing takes the place of what came
   * before, so that nothing queues.
   *
   * @param option made when it is drawn: reading colours in the middle of a change would make the browser lay out the page twice
   * @param isLarge whether it has so many points that a drawing of parts would be slow
   */
  draw(option: (room: Room) => FigureOption, isLarge = false): void {
    this.wanted = { option, isLarge }
    if (this.frame !== null || this.timer !== null) return
    if (this.freeAt === NEVER_DRAWN) {
      this.paint()
      return
    }
    // Numbers that changed with a figure are painted before it is drawn anew: they are what is waited for.
    this.frame = requestAnimationFrame(() => {
      this.frame = null
      this.timer = setTimeout(
        () => {
          this.timer = null
          this.paint()
        },
        Math.max(0, this.freeAt - performance.now()),
      )
    })
  }

  private paint(): void {
    if (this.wanted === null) return
    const { option, isLarge } = this.wanted
    this.last = this.wanted
    this.wanted = null
    const began = performance.now()
    // The first drawing is slow because all is new, and mostly empty: what it was made for must not wait for it.
    const rest = this.freeAt === NEVER_DRAWN ? 0 : REST_SHARE
    const renderer = isLarge ? 'canvas' : 'svg'
    if (renderer !== this.renderer) {
      this.chart.dispose()
      this.renderer = renderer
      this.chart = echarts.init(this.host, null, { renderer })
      this.listenToZoom()
      for (const listener of this.listeners.keys()) this.listen(listener)
    }
    const room = { width: this.host.clientWidth, height: this.host.clientHeight }
    this.chart.setOption(option(room), {
      notMerge: false,
      replaceMerge: ['series', 'xAxis', 'yAxis', 'grid', 'legend'],
    })
    const now = performance.now()
    this.freeAt = now + rest * (now - began)
  }

  /** Called with what is seen of x whenever that is another stretch; null: all of it. */
  onZoom(listener: (seen: { from: number; to: number } | null) => void): void {
    this.zoomed = listener
  }

  private listenToZoom(): void {
    this.chart.on('datazoom', () => {
      const [zoom] = (this.chart.getOption() as { dataZoom?: Zoom[] }).dataZoom ?? []
      const isAll = zoom === undefined || ((zoom.start ?? 0) < 0.01 && (zoom.end ?? 100) > 99.99)
      this.zoomed?.(isAll ? null : { from: zoom.startValue ?? 0, to: zoom.endValue ?? 0 })
    })
  }

  /** Undoes zooming. */
  fit(): void {
    this.chart.dispatchAction({ type: 'dataZoom', start: 0, end: 100 })
  }

  onPointer(listener: (moment: PointerMoment) => void): () => void {
    this.listen(listener)
    return () => {
      this.listeners.get(listener)?.()
      this.listeners.delete(listener)
    }
  }

  private listen(listener: (moment: PointerMoment) => void): void {
    const zr = this.chart.getZr()
    const handlers = (['down', 'move', 'up'] as const).map((kind) => {
      const handler = (event: { offsetX: number; offsetY: number }) => {
        listener({ kind, x: event.offsetX, y: event.offsetY })
      }
      zr.on(`mouse${kind}`, handler)
      return [`mouse${kind}`, handler] as const
    })
    this.listeners.set(listener, () => {
      handlers.forEach(([name, handler]) => {
        zr.off(name, handler)
      })
    })
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

  get width(): number {
    return this.host.clientWidth
  }

  close(): void {
    if (this.frame !== null) cancelAnimationFrame(this.frame)
    if (this.timer !== null) clearTimeout(this.timer)
    this.watcher.disconnect()
    this.chart.dispose()
  }
}
