import type { FigureView } from './FigureView'

export interface PointerMoment {
  /** `away`: the hand was for something else. */
  kind: 'down' | 'move' | 'up' | 'away'
  x: number
  y: number
}

/** Lets hands and the wheel over a figure change what is seen of it; `tell` hears of what they do that does not. */
export function listenToHands(
  host: HTMLElement,
  view: FigureView,
  tell: (moment: PointerMoment) => void,
  signal: AbortSignal,
): void {
  const place = (event: MouseEvent) => {
    const { left, top } = host.getBoundingClientRect()
    return { x: event.clientX - left, y: event.clientY - top }
  }
  const on = (
    kind: 'pointerdown' | 'pointermove' | 'pointerup' | 'pointercancel',
    then: (event: PointerEvent, at: { x: number; y: number }) => PointerMoment['kind'],
  ) => {
    host.addEventListener(
      kind,
      (event) => {
        const at = place(event)
        tell({ kind: then(event, at), ...at })
      },
      { signal },
    )
  }
  on('pointerdown', (event, at) => {
    // A hand that leaves the figure goes on with what it does.
    host.setPointerCapture(event.pointerId)
    return view.press(event.pointerId, at, event.shiftKey || event.button === 1) ? 'down' : 'away'
  })
  on('pointermove', (event, at) => (view.drag(event.pointerId, at) ? 'away' : 'move'))
  on('pointerup', (event) => (view.release(event.pointerId) ? 'away' : 'up'))
  on('pointercancel', (event) => {
    view.release(event.pointerId)
    return 'away'
  })
  host.addEventListener(
    'wheel',
    (event) => {
      if (view.wheel(place(event), { x: event.deltaX, y: event.deltaY })) event.preventDefault()
    },
    { signal, passive: false },
  )
}
