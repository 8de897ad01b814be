// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { FigureOption } from './echarts'
import type { Room } from '../../lib/figure/key'
import type { View } from '../../lib/figure/view'
import { FigureCanvas } from './FigureCanvas'
import type { PointerMoment } from './hands'
import { MovedLines } from './MovedLines'

const { init } = vi.hoisted(() => ({ init: vi.fn() }))
vi.mock('./echarts', () => ({ echarts: { init } }))

/** What a drawing was asked for; the library itself needs a screen. */
function drawing() {
  return {
    setOption: vi.fn(),
    dispose: vi.fn(),
    resize: vi.fn(),
    containPixel: ({ gridIndex }: { gridIndex: number }, [, y]: [number, number]) =>
      y >= 100 * gridIndex && y < 100 * gridIndex + 80,
    /** Ten px for one of x, and a hundred for one of y, from the lower left corner at 50, 80. */
    convertToPixel: (_: unknown, [x, y]: [number, number]) => [50 + 10 * x, 80 - 80 * y],
  }
}

const AXES = {
  series: [],
  xAxis: [{ min: 0, max: 10 }],
  yAxis: [{ min: 0, max: 1, gridIndex: 0 }],
} as FigureOption

/** A figure that hands move, in the page at its upper left corner. */
function movable() {
  const host = document.createElement('div')
  const held = vi.fn()
  host.setPointerCapture = held
  const canvas = new FigureCanvas(host, true)
  const press = (kind: string, x: number, y: number, also: MouseEventInit = {}) =>
    host.dispatchEvent(new MouseEvent(`pointer${kind}`, { clientX: x, clientY: y, ...also }))
  return { host, held, canvas, press }
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
  // There is nothing to draw on here.
  vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null)
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
      replaceMerge: ['series', 'xAxis', 'yAxis', 'grid', 'legend', 'graphic'],
    })
  })

  it('draws many points as a picture and few as parts, and takes its listeners along', () => {
    const { canvas, press } = movable()
    const heard: PointerMoment[] = []
    const stop = canvas.onPointer((moment) => heard.push(moment))
    canvas.draw(() => OPTION)
    canvas.draw(() => OPTION, { isLarge: true })
    canvas.draw(() => OPTION, { isLarge: true })
    vi.advanceTimersByTime(FRAME_MS)
    expect(asked).toEqual([{ renderer: 'svg' }, { renderer: 'canvas' }])
    expect(made[0]?.dispose).toHaveBeenCalledOnce()
    press('down', 3, 4)
    press('up', 5, 6)
    expect(heard).toEqual([
      { kind: 'down', x: 3, y: 4 },
      { kind: 'up', x: 5, y: 6 },
    ])
    stop()
    press('move', 7, 8)
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

  it('draws what a wheel leaves of x, and tells it, also once it is drawn otherwise', () => {
    const { host, canvas } = movable()
    const [told, drawn]: [unknown[], View[]] = [[], []]
    canvas.onLook((seen) => told.push(seen.x))
    const option = (_: unknown, view: View) => {
      drawn.push(view)
      return { ...AXES, xAxis: [{ min: 0, max: 10, ...view.x }] } as FigureOption
    }
    canvas.draw(option, { isAlongX: true })
    canvas.draw(option, { isLarge: true, isAlongX: true })
    vi.advanceTimersByTime(2 * FRAME_MS)
    const turn = (deltaY: number) => {
      const event = new WheelEvent('wheel', { clientX: 100, clientY: 40, deltaY, cancelable: true })
      host.dispatchEvent(event)
      clock += 1000
      vi.advanceTimersByTime(2 * FRAME_MS)
      return event.defaultPrevented
    }
    expect(turn(-100), 'The page stays where it is.').toBe(true)
    expect(drawn.at(-1)).toEqual({ x: { min: 1, max: 9 }, y: {} })
    turn(100)
    expect(drawn.at(-1)).toEqual({ x: null, y: {} })
    expect(told).toEqual([{ min: 1, max: 9 }, null])
  })

  it('keeps up with a hand, and draws all there is once the hand rests', () => {
    for (const isLarge of [true, false]) {
      const { canvas, press } = movable()
      const rooms: (boolean | undefined)[] = []
      const option = (room: Room) => {
        rooms.push(room.isMoving)
        return AXES
      }
      canvas.draw(option, { isLarge })
      vi.advanceTimersByTime(2 * FRAME_MS)
      press('down', 60, 40, { shiftKey: true })
      rooms.splice(0)
      for (const x of [70, 80]) {
        clock += 100
        press('move', x, 40)
      }
      expect(rooms).toEqual(isLarge ? [true, true] : [undefined, undefined])
      const hasPicture = () => (made.at(-1)?.setOption.mock.lastCall?.[0] as FigureOption).graphic !== undefined
      expect(hasPicture(), 'Many lines are moved as a picture.').toBe(isLarge)
      vi.advanceTimersByTime(140)
      expect(rooms).toHaveLength(2)
      clock += 1000
      vi.advanceTimersByTime(10 + 2 * FRAME_MS)
      expect(rooms.slice(2), `many points: ${isLarge}`).toEqual(isLarge ? [undefined] : [])
      expect(hasPicture()).toBe(false)
      press('move', 90, 40)
      canvas.close()
      vi.advanceTimersByTime(1000)
      expect(rooms, 'Nothing is drawn once it is closed.').toHaveLength(isLarge ? 4 : 3)
    }
  })

  it('moves a picture of what it drew whole before, and draws whole what is new', () => {
    const kept = vi.spyOn(MovedLines.prototype, 'keep')
    const { canvas, press } = movable()
    const hasPicture = () => (made.at(-1)?.setOption.mock.lastCall?.[0] as FigureOption).graphic !== undefined
    const move = (x: number) => {
      press('move', x, 40)
      return hasPicture()
    }
    canvas.draw(() => AXES, { isLarge: true })
    press('down', 60, 40, { shiftKey: true })
    expect([move(70), move(80)]).toEqual([true, true])
    expect(kept, 'The key is taken once.').toHaveBeenCalledOnce()
    canvas.draw(() => ({ ...AXES }), { isLarge: true })
    expect(move(90), 'The hand does not wait for its turn.').toBe(false)
    expect(vi.getTimerCount(), 'Nothing waits but the end of the move.').toBe(1)
    expect([move(100), move(110)]).toEqual([true, true])
    expect(kept).toHaveBeenCalledTimes(2)
    resized[0]?.()
    expect(move(120), 'In another room the key stands elsewhere.').toBe(false)
    expect(move(130)).toBe(true)
    kept.mockRestore()
  })

  it('tells a hand that moves what is seen from one that picks', () => {
    const { held, canvas, press } = movable()
    const heard: string[] = []
    canvas.onPointer(({ kind, x }) => heard.push(`${kind} ${x}`))
    canvas.draw(() => AXES)
    press('down', 60, 40)
    press('move', 70, 40)
    press('up', 70, 40)
    press('down', 60, 40, { shiftKey: true })
    press('move', 70, 40)
    press('up', 70, 40)
    expect(heard).toEqual(['down 60', 'move 70', 'up 70', 'away 60', 'away 70', 'away 70'])
    expect(canvas.view.view.x).toEqual({ min: -1, max: 9 })
    press('down', 60, 40)
    press('cancel', 60, 40)
    expect(heard.at(-1)).toBe('away 60')
    expect(held).toHaveBeenCalledTimes(3)
    canvas.close()
    press('down', 60, 40)
    expect(heard).toHaveLength(8)
  })

  it('leaves wheel and hands alone where it is always seen as a whole', () => {
    const host = document.createElement('div')
    const canvas = new FigureCanvas(host)
    canvas.draw(() => AXES)
    const event = new WheelEvent('wheel', { clientX: 100, clientY: 40, deltaY: 9, cancelable: true })
    host.dispatchEvent(event)
    expect(event.defaultPrevented).toBe(false)
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

  it('follows its place, and leaves nothing behind', () => {
    const canvas = new FigureCanvas(document.createElement('div'))
    canvas.view.fit()
    expect(made[0]?.setOption, 'It is seen as a whole.').not.toHaveBeenCalled()
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
