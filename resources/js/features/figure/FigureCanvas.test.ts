// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { FigureOption } from './echarts'
import { FigureCanvas, type PointerMoment } from './FigureCanvas'

const { init } = vi.hoisted(() => ({ init: vi.fn() }))
vi.mock('./echarts', () => ({ echarts: { init } }))

/** What a drawing was asked for; the library itself needs a screen. */
function drawing() {
  const handlers = new Map<string, Set<(event: { offsetX: number; offsetY: number }) => void>>()
  const zoomed = new Map<string, () => void>()
  let seen: { start?: number; end?: number; startValue?: number; endValue?: number } = {}
  const on = vi.fn((name: string, handler: (event: { offsetX: number; offsetY: number }) => void) => {
    handlers.set(name, (handlers.get(name) ?? new Set()).add(handler))
  })
  const off = vi.fn((name: string, handler: (event: { offsetX: number; offsetY: number }) => void) => {
    handlers.get(name)?.delete(handler)
  })
  return {
    setOption: vi.fn(),
    dispatchAction: vi.fn(),
    dispose: vi.fn(),
    resize: vi.fn(),
    on: vi.fn((name: string, handler: () => void) => {
      zoomed.set(name, handler)
    }),
    getOption: () => ({ dataZoom: [seen] }),
    zoomTo: (zoom: typeof seen) => {
      seen = zoom
      zoomed.get('datazoom')?.()
    },
    getZr: () => ({ on, off }),
    containPixel: ({ gridIndex }: { gridIndex: number }, [, y]: [number, number]) =>
      y >= 100 * gridIndex && y < 100 * gridIndex + 80,
    press: (name: string, x: number, y: number) => {
      for (const handler of handlers.get(name) ?? []) handler({ offsetX: x, offsetY: y })
    },
  }
}

/** A frame, and the moment after it. */
const FRAME_MS = 17
const OPTION = { series: [] } as FigureOption
let made: ReturnType<typeof drawing>[] = []
let asked: unknown[] = []
let resized: (() => void)[] = []
let watched = 0
let clock = 0

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'requestAnimationFrame', 'cancelAnimationFrame'] })
  made = []
  asked = []
  resized = []
  watched = 0
  clock = 0
  vi.spyOn(performance, 'now').mockImplementation(() => clock)
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(then: () => void) {
        resized.push(then)
      }
      observe() {
        watched++
      }
      disconnect() {
        watched--
      }
    },
  )
  init.mockImplementation((_: HTMLElement, __: unknown, options: unknown) => {
    asked.push(options)
    const one = drawing()
    made.push(one)
    return one
  })
})
afterEach(() => {
  vi.useRealTimers()
  init.mockReset()
  vi.unstubAllGlobals()
})

describe('the drawing of a figure', () => {
  it('keeps what stays the same and replaces what may be fewer', () => {
    new FigureCanvas(document.createElement('div')).draw(() => OPTION)
    expect(made).toHaveLength(1)
    expect(made[0]?.setOption).toHaveBeenCalledWith(OPTION, {
      notMerge: false,
      replaceMerge: ['series', 'xAxis', 'yAxis', 'grid', 'legend'],
    })
  })

  it('draws many points as a picture and few as parts, and takes its listeners along', () => {
    const canvas = new FigureCanvas(document.createElement('div'))
    const heard: PointerMoment[] = []
    const stop = canvas.onPointer((moment) => heard.push(moment))
    canvas.draw(() => OPTION)
    canvas.draw(() => OPTION, true)
    canvas.draw(() => OPTION, true)
    vi.advanceTimersByTime(FRAME_MS)
    expect(asked).toEqual([{ renderer: 'svg' }, { renderer: 'canvas' }])
    expect(made[0]?.dispose).toHaveBeenCalledOnce()
    made[1]?.press('mousedown', 3, 4)
    made[1]?.press('mouseup', 5, 6)
    expect(heard).toEqual([
      { kind: 'down', x: 3, y: 4 },
      { kind: 'up', x: 5, y: 6 },
    ])
    stop()
    made[1]?.press('mousemove', 7, 8)
    expect(heard).toHaveLength(2)
    canvas.draw(() => OPTION)
    vi.advanceTimersByTime(FRAME_MS)
    expect(asked).toHaveLength(3)
  })

  it('knows which panel is at a height', () => {
    const canvas = new FigureCanvas(document.createElement('div'))
    expect([canvas.panelAt(10, 2), canvas.panelAt(110, 2), canvas.panelAt(90, 2)]).toEqual([0, 1, null])
    expect(canvas.panelAt(110, 1)).toBeNull()
  })

  it('draws the newest at its own pace, however much comes meanwhile', () => {
    const canvas = new FigureCanvas(document.createElement('div'))
    const chart = made[0]
    const drawn: unknown[] = []
    chart?.setOption.mockImplementation((option: unknown) => {
      drawn.push(option)
      clock += 30
    })
    canvas.draw(() => OPTION)
    canvas.draw(() => OPTION)
    vi.advanceTimersByTime(FRAME_MS)
    expect(drawn.splice(0), 'After the first drawing nothing rests.').toHaveLength(2)
    clock += 60
    const options = [1, 2, 3, 4].map((id) => ({ series: [], title: { id: String(id) } }))
    const [first] = options
    if (first !== undefined) canvas.draw(() => first)
    vi.advanceTimersByTime(FRAME_MS)
    for (const option of options) canvas.draw(() => option)
    expect(vi.getTimerCount(), 'All of them wait for one drawing.').toBe(1)
    expect(drawn).toEqual([options[0]])
    vi.advanceTimersByTime(59)
    expect(drawn).toHaveLength(1)
    vi.advanceTimersByTime(FRAME_MS + 1)
    expect(drawn).toEqual([options[0], options[3]])
    clock += 60
    canvas.draw(() => OPTION)
    expect(drawn).toHaveLength(2)
    const painted = vi.fn(() => {
      expect(drawn, 'Words that changed with it come first.').toHaveLength(2)
    })
    requestAnimationFrame(painted)
    vi.advanceTimersByTime(FRAME_MS)
    expect(painted).toHaveBeenCalledOnce()
    expect(drawn).toHaveLength(3)
  })

  it('draws nothing once it is closed, whatever was asked before', () => {
    for (const waitMs of [0, FRAME_MS]) {
      const canvas = new FigureCanvas(document.createElement('div'))
      const chart = made.at(-1)
      canvas.draw(() => OPTION)
      chart?.setOption.mockImplementation(() => (clock += 30))
      canvas.draw(() => OPTION)
      vi.advanceTimersByTime(2 * FRAME_MS)
      canvas.draw(() => OPTION)
      vi.advanceTimersByTime(waitMs)
      canvas.close()
      vi.advanceTimersByTime(1000)
      expect(chart?.setOption, `closed after ${waitMs} ms`).toHaveBeenCalledTimes(2)
    }
  })

  it('tells what is seen of x, also after it was drawn otherwise', () => {
    const canvas = new FigureCanvas(document.createElement('div'))
    const told: unknown[] = []
    canvas.onZoom((seen) => told.push(seen))
    made[0]?.zoomTo({ start: 20, end: 60, startValue: 2, endValue: 6 })
    canvas.draw(() => OPTION, true)
    made[1]?.zoomTo({ start: 0, end: 60, startValue: 0, endValue: 6 })
    made[1]?.zoomTo({ start: 0, end: 100, startValue: 0, endValue: 10 })
    expect(told).toEqual([{ from: 2, to: 6 }, { from: 0, to: 6 }, null])
  })

  it('draws again in another room, which it tells', () => {
    const host = document.createElement('div')
    const canvas = new FigureCanvas(host)
    const rooms: unknown[] = []
    resized[0]?.()
    expect(made[0]?.setOption, 'Nothing was drawn yet.').not.toHaveBeenCalled()
    canvas.draw((room) => {
      rooms.push(room)
      return OPTION
    })
    Object.defineProperties(host, { clientWidth: { value: 390 }, clientHeight: { value: 300 } })
    resized[0]?.()
    vi.advanceTimersByTime(2 * FRAME_MS)
    expect(rooms).toEqual([
      { width: 0, height: 0 },
      { width: 390, height: 300 },
    ])
  })

  it('fits the whole of it, follows its place, and leaves nothing behind', () => {
    const canvas = new FigureCanvas(document.createElement('div'))
    canvas.fit()
    expect(made[0]?.dispatchAction).toHaveBeenCalledWith({ type: 'dataZoom', start: 0, end: 100 })
    resized.forEach((then) => {
      then()
    })
    expect(made[0]?.resize).toHaveBeenCalledOnce()
    expect(watched).toBe(1)
    canvas.close()
    expect(watched).toBe(0)
    expect(made[0]?.dispose).toHaveBeenCalledOnce()
  })
})
