import { useEffect, useState, type RefObject } from 'react'

/** As in board.css: below it tiles stand one under the other, each as high as what it holds. */
const TILES_FILL_THE_SCREEN = '(width >= 64rem)'
/** Before anything is measured, and where a tile is as high as its rows. */
const FIRST = 5

/** How many rows of its table have room in an element: a row is shown whole or not at all. */
export function useFittingRows(host: RefObject<HTMLElement | null>): number {
  const [count, setCount] = useState(FIRST)
  useEffect(() => {
    const element = host.current
    if (element === null) return
    const observer = new ResizeObserver(() => {
      const [head = 0, row = 0] = [...element.querySelectorAll('tr')].map((one) => one.getBoundingClientRect().height)
      const isAsHighAsItsRows = !window.matchMedia(TILES_FILL_THE_SCREEN).matches
      if (row > 0) setCount(isAsHighAsItsRows ? FIRST : Math.max(1, Math.floor((element.clientHeight - head) / row)))
    })
    observer.observe(element)
    return () => {
      observer.disconnect()
    }
  }, [host])
  return count
}
