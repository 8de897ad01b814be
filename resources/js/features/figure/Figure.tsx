import { useEffect, useRef, useState } from 'react'
import { inkOf, type Ink } from '../../lib/figure/ink'
import type { Room } from '../../lib/figure/key'
import type { FigureOption } from './echarts'
import { FigureCanvas } from './FigureCanvas'

interface FigureProps {
  /** What to draw, in the inks of the theme in force, in the room there is. */
  option: (ink: Ink, room: Room) => FigureOption
  /** The figure in words, for those who do not see it. */
  summary: string
  /** Whether it has so many points that a drawing of parts would be slow. */
  isLarge?: boolean
  onReady?: (canvas: FigureCanvas | null) => void
  className?: string
}

export function Figure({ option, summary, isLarge = false, onReady, className = '' }: FigureProps) {
  const host = useRef<HTMLDivElement>(null)
  const canvas = useRef<FigureCanvas | null>(null)
  const [themeCount, setThemeCount] = useState(0)

  useEffect(() => {
    if (host.current === null) return
    const made = new FigureCanvas(host.current)
    canvas.current = made
    onReady?.(made)
    return () => {
      onReady?.(null)
      canvas.current = null
      made.close()
    }
  }, [onReady])

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
    if (element !== null) canvas.current?.draw((room) => option(inkOf(element), room), isLarge)
  }, [option, isLarge, themeCount])

  return <div ref={host} role="img" aria-label={summary} className={`h-full w-full ${className}`} />
}
