import type { Relation, Relations } from '../../lib/api/types'
import { pathOf, type Picture } from '../../lib/relations/picture'
import { rSquaredText } from '../../lib/straighten/tile'

interface RelationTileProps {
  told: Relations
  relation: Relation
  picture: Picture
  isChosen: boolean
  onChoose: () => void
}

/** A small preview, px. */
export const TILE = { width: 200, height: 76, left: 6, right: 194, top: 6, bottom: 70 }

/** More points than this are drawn small. */
const FEW = 60

/** One relation over the points, before it is chosen: its curve, what it is called, and what it leaves over. */
export function RelationTile({ told, relation, picture, isChosen, onChoose }: RelationTileProps) {
  const { points } = told
  return (
    <button
      type="button"
      className={`panel flex w-full cursor-pointer flex-col px-3 py-2 text-left ${isChosen ? 'border-primary border-2' : ''}`}
      aria-pressed={isChosen}
      onClick={onChoose}
    >
      <strong className="text-sm">{relation.title}</strong>
      <svg viewBox={`0 0 ${TILE.width} ${TILE.height}`} className="my-1 w-full overflow-hidden" aria-hidden="true">
        {points.x.map((x, i) => (
          <circle
            key={i}
            cx={picture.across(x)}
            cy={picture.up(points.y[i] ?? 0)}
            r={points.x.length > FEW ? 1.2 : 2.5}
            fill="var(--run-1)"
          />
        ))}
        <path
          d={pathOf(told.curveX, relation.curve, picture)}
          fill="none"
          stroke="var(--color-primary)"
          strokeWidth="1.5"
        />
      </svg>
      <span className={`text-xs ${isChosen ? 'text-primary font-semibold' : 'quiet'}`}>{relation.verdict}</span>
      <span className="num quiet text-xs">
        {relation.rSquared === null ? '' : `R² ${rSquaredText(relation.rSquared)} · `}n {told.looked}
      </span>
    </button>
  )
}
