import { useMemo } from 'react'
import type { Way } from '../../lib/api/types'
import { rSquaredText, TILE, tileOf } from '../../lib/straighten/tile'

interface WayTileProps {
  way: Way
  n: number
  isChosen: boolean
  onChoose: () => void
}

/** More points than this are drawn small. */
const FEW = 60

/** One way to plot them: points and line, what is left over beneath, and in words whether it is straight. */
export function WayTile({ way, n, isChosen, onChoose }: WayTileProps) {
  const { points, line, rest } = useMemo(() => tileOf(way), [way])
  const [[x1, y1], [x2, y2]] = line
  return (
    <button
      type="button"
      className={`panel flex cursor-pointer flex-col p-3 text-left ${isChosen ? 'border-primary border-2' : ''}`}
      aria-pressed={isChosen}
      onClick={onChoose}
    >
      <span className="flex flex-wrap items-baseline justify-between gap-x-2">
        <strong>{way.title}</strong>
        <span className="num quiet text-xs">
          {way.rSquared === null ? '' : `R² ${rSquaredText(way.rSquared)} · `}n {n}
        </span>
      </span>
      <svg viewBox={`0 0 ${TILE.width} ${TILE.height}`} className="my-1 w-full" aria-hidden="true">
        <path
          d={`M1 ${TILE.plotTop}V${TILE.plotBottom}H${TILE.width}`}
          fill="none"
          stroke="var(--quiet)"
          strokeWidth="1"
        />
        <path d={`M1 ${TILE.restMiddle}H${TILE.width}`} stroke="var(--grid)" strokeWidth="1" />
        <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke="var(--color-primary)" strokeWidth="1.5" />
        {points.map(([x, y], i) => (
          <circle key={i} cx={x} cy={y} r={points.length > FEW ? 1.5 : 3.5} fill="var(--run-1)" />
        ))}
        <path
          d={rest.map(({ x, to }) => `M${x} ${TILE.restMiddle}V${to}`).join('')}
          stroke="var(--run-2)"
          strokeWidth={points.length > FEW ? 1 : 2}
        />
      </svg>
      <span className={`text-sm ${isChosen ? 'text-primary font-semibold' : 'quiet'}`}>{way.verdict}</span>
    </button>
  )
}
