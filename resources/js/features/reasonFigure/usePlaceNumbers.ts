import { useState } from 'react'
import type { Figure, PointNumbers } from '../../lib/api/types'
import type { Selection } from '../../lib/figure/selection'
import { usePointNumbers } from './usePointNumbers'

/** Far more than any reading has; what is left of a change of unit is cut off. */
const DIGITS = 12

interface Place {
  runId: number
  revision: number
  figure: Figure | undefined
  /** Along x, in the unit of its column; null while there is none. */
  at: number | null
  selection: Selection
}

/** What is told of a place: where it is picked, or where the pointer is while a tangent follows it; and from where a change is told. */
export function usePlaceNumbers({ runId, revision, figure, at, selection }: Place): {
  numbers: PointNumbers | null
  from: number | null
  setFrom: (from: number | null) => void
} {
  const [from, setFrom] = useState<number | null>(null)
  const numbers = usePointNumbers(
    runId,
    revision,
    at === null
      ? null
      : {
          x: figure?.x ?? '',
          y: figure?.panels[0]?.y[0] ?? '',
          at: Number(at.toPrecision(DIGITS)),
          ...(from === null ? {} : { from }),
          ...(selection.kind === 'place' && selection.height !== undefined ? { height: selection.height } : {}),
        },
  )
  return { numbers, from, setFrom }
}
