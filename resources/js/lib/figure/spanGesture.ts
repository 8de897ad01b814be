/** A press on a figure that becomes either a click or the drag of a span. */
export type Gesture =
  | { status: 'idle' }
  | { status: 'pressing'; x: number; y: number; at: number }
  | { status: 'dragging'; x: number; at: number; head: number }

export const IDLE: Gesture = { status: 'idle' }

/** A hand moves this far without meaning to. */
const STILL_PX = 5

/** Whether a hand that went from a place to another did not mean to move. */
export function isStill(from: { x: number; y: number }, to: { x: number; y: number }): boolean {
  return Math.hypot(to.x - from.x, to.y - from.y) < STILL_PX
}

export function press(x: number, y: number, at: number): Gesture {
  return { status: 'pressing', x, y, at }
}

export function moveTo(gesture: Gesture, x: number, at: number): Gesture {
  switch (gesture.status) {
    case 'idle':
      return gesture
    case 'pressing':
      return Math.abs(x - gesture.x) < STILL_PX
        ? gesture
        : { status: 'dragging', x: gesture.x, at: gesture.at, head: at }
    case 'dragging':
      return { ...gesture, head: at }
  }
}
