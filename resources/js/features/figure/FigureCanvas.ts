import type { EChartsType } from 'echarts/core'
import { echarts, type FigureOption } from './echarts'

export interface PointerMoment {
  kind: 'down' | 'move' | 'up'
  x: number
  y: number
}

/** Owns the drawing of one figure in a host element, and forwards what the pointer does over it. */
export class FigureCanvas {
  private readonly chart: EChartsType
  private readonly watcher: ResizeObserver

  constructor(private readonly host: HTMLElement) {
    this.chart = echarts.init(host, null, { renderer: 'svg' })
    this.watcher = new ResizeObserver(() => {
      this.chart.resize()
    })
    this.watcher.observe(host)
  }

  draw(option: FigureOption): void {
    this.chart.setOption(option, { notMerge: false, replaceMerge: ['series', 'xAxis', 'yAxis', 'grid'] })
  }

  /** Undoes zooming. */
  fit(): void {
    this.chart.dispatchAction({ type: 'dataZoom', start: 0, end: 100 })
  }

  onPointer(listener: (moment: PointerMoment) => void): () => void {
    const zr = this.chart.getZr()
    const handlers = (['down', 'move', 'up'] as const).map((kind) => {
      const handler = (event: { offsetX: number; offsetY: number }) => {
        listener({ kind, x: event.offsetX, y: event.offsetY })
      }
      zr.on(`mouse${kind}`, handler)
      return [`mouse${kind}`, handler] as const
    })
    return () => {
      handlers.forEach(([name, handler]) => {
        zr.off(name, handler)
      })
    }
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
