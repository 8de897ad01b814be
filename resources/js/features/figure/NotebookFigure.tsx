import { useCallback } from 'react'
import { MOST_DRAWN_AS_PARTS, pointCount, type FigureInput } from '../../lib/figure/drawn'
import type { Ink } from '../../lib/figure/ink'
import type { Room } from '../../lib/figure/key'
import { notebookFigure } from '../../lib/figure/notebookFigure'
import type { View } from '../../lib/figure/view'
import { Figure } from './Figure'
import type { FigureCanvas } from './FigureCanvas'

interface NotebookFigureProps {
  input: FigureInput
  /** The figure in words, for those who do not see it. */
  summary: string
  /** Whether wheel, hands and keys change what is seen of it. */
  isMovable?: boolean
  /** Whether points come so fast that a drawing of parts would be slow, however few there are. */
  isGrowing?: boolean
  onReady?: (canvas: FigureCanvas | null) => void
  className?: string
}

/** A figure of columns of runs. */
export function NotebookFigure({ input, isGrowing = false, ...shown }: NotebookFigureProps) {
  const option = useCallback((ink: Ink, room: Room, view: View) => notebookFigure(input, ink, room, view), [input])
  return (
    <Figure
      option={option}
      isLarge={isGrowing || pointCount(input) > MOST_DRAWN_AS_PARTS}
      isAlongX={input.x.kind === 'time'}
      {...shown}
    />
  )
}
