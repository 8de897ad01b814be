import type { Ink } from './ink'

/** How much room a figure has, in px. */
export interface Room {
  width: number
  height: number
  /** Whether a hand moves what is seen in it: it is drawn to keep up with the hand. */
  isMoving?: boolean
}

export const USUAL_ROOM: Room = { width: 760, height: 560 }

/** A stroke with its point stands before each name; a letter is about so wide. */
const STROKE_PX = 26
const BEFORE_PX = 33
const LETTER_PX = 7.5
const BETWEEN_PX = 18
const ROW_PX = 22
/** Free above the first row: the title of the figure stands there. */
const ABOVE_PX = 8
/** From the last row to the panel below it. */
export const BELOW_KEY_PX = 14

/** Which line is whose, above a figure where it hides none: at their ends names would lie on other lines. */
export function figureKey(names: readonly string[], ink: Ink, left: number, width: number) {
  const rows = keyRows(names, ink, width)
  return {
    height: rows === 0 ? 0 : (ABOVE_PX + rows * ROW_PX) * ink.scale,
    legend: {
      show: names.length > 0,
      data: [...names],
      left,
      top: ABOVE_PX * ink.scale,
      width,
      padding: 0,
      selectedMode: false,
      itemGap: BETWEEN_PX * ink.scale,
      itemWidth: STROKE_PX * ink.scale,
      itemHeight: 9 * ink.scale,
      textStyle: { color: ink.text, fontFamily: ink.sans, fontSize: 14 * ink.scale },
    },
  }
}

/** In so many rows the names stand. */
export function keyRows(names: readonly string[], ink: Ink, width: number): number {
  let [rows, at] = [names.length === 0 ? 0 : 1, 0]
  for (const name of names) {
    const wide = (BEFORE_PX + name.length * LETTER_PX) * ink.scale
    if (at > 0 && at + wide > width) {
      rows++
      at = 0
    }
    at += wide + BETWEEN_PX * ink.scale
  }
  return rows
}
