import { beforeEach, describe, expect, it } from 'vitest'
import { WHOLE, type View } from '../../lib/figure/view'
import { FigureView, type Drawn } from './FigureView'

/** Two panels over each other, 100 px by 80 px each from 50 px at the left, 100 px apart; x from 0 to 10, y from 0 to 80. */
const drawn: Drawn = {
  whole: {
    x: { min: 0, max: 10, isLogarithmic: false },
    y: [0, 1].map((panel) => ({ min: 0, max: 80, isLogarithmic: false, panel })),
  },
  isAlongX: false,
  plotOf: (panel) => ({ left: 50, top: 100 * panel, width: 100, height: 80 }),
}

let seen: View[] = []
let how = drawn
const view = () =>
  new FigureView(
    () => how,
    (of) => seen.push(of),
  )
const x = () => seen.at(-1)?.x
const y = (axis = 0) => seen.at(-1)?.y[axis]

beforeEach(() => {
  seen = []
  how = drawn
})

describe('the wheel over a figure', () => {
  it('draws it nearer about the hand, one notch by a quarter', () => {
    const one = view()
    expect(one.wheel({ x: 100, y: 140 }, { x: 0, y: -100 })).toBe(true)
    expect(x()).toEqual({ min: 1, max: 9 })
    expect(y(1)).toEqual({ min: 8, max: 72 })
    expect(y(0), 'the other panel').toBeUndefined()
    one.wheel({ x: 100, y: 140 }, { x: 0, y: 100 })
    expect(one.view, 'back again').toBe(WHOLE)
  })

  it('draws one axis nearer over it, and x alone where time runs along it', () => {
    view().wheel({ x: 20, y: 40 }, { x: 0, y: -100 })
    expect([x(), y()]).toEqual([null, { min: 8, max: 72 }])
    view().wheel({ x: 100, y: 190 }, { x: 0, y: -100 })
    expect(seen.at(-1)).toEqual({ x: { min: 1, max: 9 }, y: {} })
    how = { ...drawn, isAlongX: true }
    view().wheel({ x: 100, y: 40 }, { x: 0, y: -100 })
    expect(seen.at(-1)).toEqual({ x: { min: 1, max: 9 }, y: {} })
  })

  it('moves along x where it is turned sideways, and is not for a place beside all panels', () => {
    view().wheel({ x: 100, y: 40 }, { x: 20, y: 3 })
    expect(seen.at(-1)).toEqual({ x: { min: 2, max: 12 }, y: {} })
    expect(view().wheel({ x: 100, y: 90 }, { x: 0, y: 9 })).toBe(false)
    expect(seen).toHaveLength(1)
  })
})

describe('hands on a figure', () => {
  it('mean a span in a plot, unless Shift is held', () => {
    const one = view()
    expect(one.press(1, { x: 80, y: 40 }, false)).toBe(true)
    expect(one.drag(1, { x: 130, y: 40 })).toBe(false)
    expect(one.release(1)).toBe(false)
    expect(one.press(1, { x: 80, y: 40 }, true)).toBe(false)
    expect(one.drag(1, { x: 90, y: 48 })).toBe(true)
    expect(x()).toEqual({ min: -1, max: 9 })
    expect(y()).toEqual({ min: 8, max: 88 })
    expect(one.release(1)).toBe(true)
    expect(one.drag(1, { x: 99, y: 40 }), 'Nobody holds it.').toBe(false)
    expect(seen).toHaveLength(1)
  })

  it('pull an axis by its numbers: x below it, y where they go up or down', () => {
    const one = view()
    expect(one.press(1, { x: 80, y: 190 }, false)).toBe(false)
    one.drag(1, { x: 90, y: 190 })
    expect(seen.at(-1)).toEqual({ x: { min: -1, max: 9 }, y: {} })
    one.release(1)
    one.fit()
    expect(one.press(1, { x: 20, y: 40 }, false), 'It may become a span.').toBe(true)
    expect(one.drag(1, { x: 20, y: 43 })).toBe(false)
    expect(one.drag(1, { x: 21, y: 48 })).toBe(true)
    expect(seen.at(-1)).toEqual({ x: null, y: { 0: { min: 8, max: 88 } } })
    one.release(1)
  })

  it('mean a span beside an axis where they go sideways, whatever follows', () => {
    const one = view()
    one.press(1, { x: 45, y: 40 }, false)
    expect(one.drag(1, { x: 60, y: 42 })).toBe(false)
    expect(one.drag(1, { x: 60, y: 99 })).toBe(false)
    expect(seen).toEqual([])
  })

  it('are two to stretch and move what lies between them', () => {
    const one = view()
    expect(one.press(1, { x: 80, y: 40 }, false)).toBe(true)
    expect(one.press(2, { x: 120, y: 40 }, false)).toBe(false)
    expect(one.drag(1, { x: 60, y: 40 })).toBe(true)
    one.drag(2, { x: 140, y: 40 })
    expect(x()).toEqual({ min: 2.5, max: 7.5 })
    one.drag(1, { x: 70, y: 40 })
    one.drag(2, { x: 150, y: 40 })
    expect(x()).toEqual({ min: 2, max: 7 })
    expect(one.release(2)).toBe(true)
    expect(one.drag(1, { x: 99, y: 40 }), 'One alone goes on with nothing.').toBe(false)
  })

  it('do nothing above all panels, or before anything is drawn', () => {
    expect(view().press(1, { x: 80, y: -5 }, true)).toBe(true)
    const nothing = new FigureView(
      () => null,
      (of) => seen.push(of),
    )
    expect([nothing.press(1, { x: 80, y: 40 }, true), nothing.drag(1, { x: 90, y: 40 })]).toEqual([true, false])
    expect(nothing.wheel({ x: 80, y: 40 }, { x: 0, y: 9 })).toBe(false)
    nothing.key('+')
    nothing.fit()
    expect(seen).toEqual([])
  })
})

describe('keys at a figure', () => {
  it('draw nearer and further about its middle, and move along x by a quarter', () => {
    const one = view()
    expect(one.key('+')).toBe(true)
    expect(x()).toEqual({ min: 1, max: 9 })
    one.key('PageDown')
    expect(x()).toEqual({ min: 3, max: 11 })
    one.key('PageUp')
    expect(x()).toEqual({ min: 1, max: 9 })
    one.key('-')
    expect(one.view).toBe(WHOLE)
    expect(one.key('x')).toBe(false)
    expect(seen).toHaveLength(4)
  })

  it('bring what they reach into sight', () => {
    const one = view()
    one.reveal(9)
    expect(seen, 'It is in sight.').toEqual([])
    one.key('+')
    one.key('+')
    one.reveal(9.5)
    expect((one.view.x?.min ?? 0) + (one.view.x?.max ?? 0)).toBeCloseTo(19, 9)
    expect(seen).toHaveLength(3)
  })

  it('lead back to all of it', () => {
    const one = view()
    one.fit()
    expect(seen, 'All of it is seen already.').toEqual([])
    one.key('=')
    one.fit()
    expect(seen.at(-1)).toBe(WHOLE)
  })
})
