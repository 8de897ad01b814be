import type { EChartsType } from 'echarts/core'
import type { Room } from '../../lib/figure/key'
import { WHOLE, type DrawnAxes, type View } from '../../lib/figure/view'
import type { Plot } from '../../lib/figure/viewGesture'
import { drawnAxes } from './drawnAxes'
import { echarts, type FigureOption } from './echarts'
import { FigureView, type Drawn } from './FigureView'
import { listenToHands, type PointerMoment } from './hands'
import { MovedParts, REPLACED } from './MovedParts'

/** So much longer than a drawing took, the page is free for all else; less while a hand moves the figure and looks at nothing else. */
const REST_SHARE = 2
const REST_SHARE_MOVED = 0.25
/** So long after the last move of a hand it is drawn with all its points again. */
const SETTLED_MS = 150

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

const NEVER_DRAWN = -Infinity

/** Owns the drawing of one figure in a host element, and forwards what the pointer does over it. */
export class FigureCanvas {
  private chart: EChartsType
  private renderer: 'svg' | 'canvas' = 'svg'
  private readonly listeners = new Set<(moment: PointerMoment) => void>()
  private readonly watcher: ResizeObserver
  private wanted: Wanted | null = null
  private last: Wanted | null = null
  private frame: number | null = null
  private timer: ReturnType<typeof setTimeout> | null = null
  private freeAt = NEVER_DRAWN
  private rest = REST_SHARE
  private isMoving = false
  private settling: ReturnType<typeof setTimeout> | undefined
  private readonly parts = new MovedParts()
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
      // In another width names stand in other rows.
      this.again()
    })
    this.watcher.observe(host)
  }

  /**
   * Draws at the pace of this computer: what comes while it is still busy with the last drawing takes the place of what came
   * before, so that nothing queues.
   *
   * @param option made when it is drawn: reading colours in the middle of a change would make the browser lay out the page twice
   */
  draw(option: Drawing, { isLarge = false, isAlongX = false }: DrawnHow = {}): void {
    this.wanted = { option, isLarge, isAlongX }
    if (!this.isMoving) this.rest = REST_SHARE
    this.whenFree()
  }

  private whenFree(): void {
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

  private again(): void {
    if (this.last !== null && this.wanted === null) this.draw(this.last.option, this.last)
  }

  /** Draws at once what a hand moves, as often as this computer can: who moves it looks at nothing else. */
  private follow(): void {
    if (this.last === null) return
    this.wanted ??= this.last
    this.rest = REST_SHARE_MOVED
    this.isMoving = this.last.isLarge
    clearTimeout(this.settling)
    if (this.isMoving)
      this.settling = setTimeout(() => {
        this.settle()
      }, SETTLED_MS)
    if (this.frame === null && this.timer === null && performance.now() >= this.freeAt) this.paint()
    else this.whenFree()
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
    const began = performance.now()
    // The first drawing is slow because all is new, and mostly empty: what it was made for must not wait for it.
    const rest = this.freeAt === NEVER_DRAWN ? 0 : this.rest
    const renderer = isLarge ? 'canvas' : 'svg'
    if (renderer !== this.renderer) {
      this.chart.dispose()
      this.renderer = renderer
      this.chart = echarts.init(this.host, null, { renderer })
    }
    const made = option(this.isMoving ? { ...this.room, isMoving: true } : this.room, this.view.view)
    this.painted = drawnAxes(made)
    const parts = this.isMoving ? this.parts.named(made, option) : { option: made, replaced: REPLACED }
    this.chart.setOption(parts.option, { notMerge: false, replaceMerge: [...parts.replaced] })
    const now = performance.now()
    this.freeAt = now + rest * (now - began)
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
    if (this.frame !== null) cancelAnimationFrame(this.frame)
    if (this.timer !== null) clearTimeout(this.timer)
    clearTimeout(this.settling)
    this.hand.abort()
    this.watcher.disconnect()
    this.chart.dispose()
  }
}
