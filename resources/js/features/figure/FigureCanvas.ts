import type { EChartsType } from 'echarts/core'
import { echarts, type FigureOption } from './echarts'

export interface PointerMoment {
  kind: 'down' | 'move' | 'up'
  x: number
  y: number
}

/** Owns the drawing of one figure in a host element, and forwards what the pointer does over it. */
export class FigureCanvas {
  private chart: EChartsType
  private renderer: 'svg' | 'canvas' = 'svg'
  private readonly listeners = new Map<(moment: PointerMoment) => void, () => void>()
  private readonly watcher: ResizeObserver

  constructor(private readonly host: HTMLElement) {
    this.chart = echarts.init(host, null, { renderer: this.renderer })
    this.watcher = new ResizeObserver(() => {
      this.chart.resize()
    })
    this.watcher.observe(host)
  }

  /** @param isLarge whether it has so many points that a drawing of parts would be slow */
  draw(option: FigureOption, isLarge = false): void {
    const renderer = isLarge ? 'canvas' : 'svg'
    if (renderer !== this.renderer) {
      this.chart.dispose()
      this.renderer = renderer
      this.chart = echarts.init(this.host, null, { renderer })
      for (const listener of this.listeners.keys()) this.listen(listener)
    }
    this.chart.setOption(option, { notMerge: false, replaceMerge: ['series', 'xAxis', 'yAxis', 'grid'] })
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

  /** The index of the panel under a pixel; null outside all panels. */
  panelAt(x: number, y: number, panelCount: number): number | null {
    for (let panel = 0; panel < panelCount; panel++) {
      if (this.chart.containPixel({ gridIndex: panel }, [x, y])) return panel
    }
    return null
  }

  get width(): number {
    return this.host.clientWidth
  }

  close(): void {
    this.watcher.disconnect()
    this.chart.dispose()
  }
}
