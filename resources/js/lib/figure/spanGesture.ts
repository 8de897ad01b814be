/** A press on a figure that becomes either a click or the drag of a span. */
export type Gesture =
  | { status: 'idle' }
  | { status: 'pressing'; x: number; y: number; volume: number }
  | { status: 'dragging'; x: number; volume: number; head: number }

export const IDLE: Gesture = { status: 'idle' }

/** A hand moves this far without meaning to. */
const STILL_PX = 5

export function press(x: number, y: number, volume: number): Gesture {
  return { status: 'pressing', x, y, volume }
}

export function moveTo(gesture: Gesture, x: number, volume: number): Gesture {
  switch (gesture.status) {
    case 'idle':
      return gesture
    case 'pressing':
      return Math.abs(x - gesture.x) < STILL_PX
        ? gesture
        : { status: 'dragging', x: gesture.x, volume: gesture.volume, head: volume }
    case 'dragging':
      return { ...gesture, head: volume }
  }
}
