import { useEffect, useRef, useState } from 'react'
import { inkOf, type Ink } from '../../lib/figure/ink'
import type { Room } from '../../lib/figure/key'
import type { View } from '../../lib/figure/view'
import type { FigureOption } from './echarts'
import { FigureCanvas, type DrawnHow } from './FigureCanvas'

interface FigureProps extends DrawnHow {
  /** What to draw, in the inks of the theme in force, in the room there is, with what is seen of it. */
  option: (ink: Ink, room: Room, view: View) => FigureOption
  /** The figure in words, for those who do not see it. */
  summary: string
  /** Whether wheel, hands and keys change what is seen of it. */
  isMovable?: boolean
  onReady?: (canvas: FigureCanvas | null) => void
  className?: string
}

export function Figure({
  option,
  summary,
  isLarge = false,
  isAlongX = false,
  isMovable = false,
  onReady,
  className = '',
}: FigureProps) {
  const host = useRef<HTMLDivElement>(null)
  const canvas = useRef<FigureCanvas | null>(null)
  const [themeCount, setThemeCount] = useState(0)

  useEffect(() => {
    if (host.current === null) return
    const made = new FigureCanvas(host.current, isMovable)
    canvas.current = made
    onReady?.(made)
    return () => {
      onReady?.(null)
      canvas.current = null
      made.close()
    }
  }, [onReady, isMovable])

  useEffect(() => {
    function handleTheme() {
      setThemeCount((count) => count + 1)
    }
    window.addEventListener('welkion:theme', handleTheme)
    return () => {
      window.removeEventListener('welkion:theme', handleTheme)
    }
  }, [])

  useEffect(() => {
    const element = host.current
    if (element === null) return
    canvas.current?.draw((room, view) => option(inkOf(element), room, view), { isLarge, isAlongX })
  }, [option, isLarge, isAlongX, themeCount])

  return (
    <div
      ref={host}
      role="img"
      aria-label={summary}
      className={`h-full w-full ${isMovable ? 'touch-pan-y' : ''} ${className}`}
    />
  )
}
