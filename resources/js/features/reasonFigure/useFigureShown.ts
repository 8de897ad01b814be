import { useState } from 'react'
import type { Figure, Notebook } from '../../lib/api/types'

/**
 * Which figure of a notebook is shown.
 *
 * @param isNewestFirst whether it is the one that was made last, until another is chosen
 */
export function useFigureShown(
  { figures }: Notebook,
  isNewestFirst: boolean,
): [Figure | undefined, (place: number) => void] {
  const [place, setPlace] = useState(isNewestFirst ? Infinity : 0)
  const [wasNewest, setWasNewest] = useState(isNewestFirst)
  if (wasNewest !== isNewestFirst) {
    setWasNewest(isNewestFirst)
    if (isNewestFirst) setPlace(Infinity)
  }
  return [figures[place] ?? figures.at(-1), setPlace]
}
