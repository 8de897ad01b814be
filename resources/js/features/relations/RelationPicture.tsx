import type { Column, TriedRelation } from '../../lib/api/types'
import { labelOf } from '../../lib/figure/axes'
import { axisName, unitBehind } from '../../lib/notebook/labels'
import { pathOf, pictureOf, strokesOf, ticksOf, type Room } from '../../lib/relations/picture'

interface RelationPictureProps {
  x: Column
  y: Column
  points: { x: readonly number[]; y: readonly number[] }
  told: TriedRelation | undefined
  /** What the picture shows, in words. */
  summary: string
}

const SIZE = { width: 620, height: 330 }
const PLOT: Room = { left: 64, right: 600, top: 12, bottom: 222 }
const REST = { middle: 276, half: 26 }
/** More points than this are drawn small. */
const FEW = 60

/** The points and the curve through them, what is left over beneath, and on demand its band or where a search begins. */
export function RelationPicture({ x, y, points, told, summary }: RelationPictureProps) {
  const picture = pictureOf(points.x, points.y, PLOT)
  const { across, up, xRange, yRange } = picture
  const most = (told?.residuals.residuals ?? []).reduce((largest, one) => Math.max(largest, Math.abs(one)), 0)
  const isFew = points.x.length <= FEW
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="w-full overflow-hidden"
      role="img"
      aria-label={summary}
      fontSize="12"
      fill="var(--quiet)"
    >
      {ticksOf(xRange).map((value) => (
        <g key={value}>
          <path d={`M${across(value)} ${PLOT.top}V${PLOT.bottom}`} stroke="var(--grid)" />
          <text x={across(value)} y={PLOT.bottom + 16} textAnchor="middle" className="num">
            {labelOf(value, xRange)}
          </text>
        </g>
      ))}
      {ticksOf(yRange).map((value) => (
        <g key={value}>
          <path d={`M${PLOT.left} ${up(value)}H${PLOT.right}`} stroke="var(--grid)" />
          <text x={PLOT.left - 6} y={up(value) + 4} textAnchor="end" className="num">
            {labelOf(value, yRange)}
          </text>
        </g>
      ))}
      <text x={PLOT.right} y={SIZE.height - 8} textAnchor="end">
        {axisName(x)}
      </text>
      <text transform={`translate(14 ${PLOT.top}) rotate(-90)`} textAnchor="end">
        {axisName(y)}
      </text>
      <clipPath id="relation-plot">
        <rect x={PLOT.left} y={PLOT.top - 6} width={PLOT.right - PLOT.left + 6} height={PLOT.bottom - PLOT.top + 12} />
      </clipPath>
      <g clipPath="url(#relation-plot)" fill="none">
        {(told?.marks ?? []).map((mark, index) =>
          mark.kind === 'band' ? (
            [mark.y, mark.low ?? []].map((heights, side) => (
              <path
                key={`${index} ${side}`}
                d={pathOf(mark.x, heights, picture)}
                stroke="var(--color-primary)"
                strokeDasharray="5 4"
              />
            ))
          ) : (
            <path
              key={index}
              d={pathOf(mark.x, mark.y, picture)}
              stroke="var(--color-primary)"
              strokeWidth="2"
              data-testid="relation-curve"
            />
          ),
        )}
        {told?.begun == null ? null : (
          <path
            d={pathOf(told.begun.x, told.begun.y, picture)}
            stroke="var(--color-warning)"
            strokeWidth="2"
            strokeDasharray="8 5"
            data-testid="relation-begun"
          />
        )}
        {points.x.map((at, i) => (
          <circle key={i} cx={across(at)} cy={up(points.y[i] ?? 0)} r={isFew ? 4 : 1.8} fill="var(--run-1)" />
        ))}
      </g>
      <path d={`M${PLOT.left} ${REST.middle}H${PLOT.right}`} stroke="var(--grid)" />
      <text x={PLOT.left} y={SIZE.height - 8}>
        left over
        {most === 0 ? '' : `: at most ${Number(most.toPrecision(1))} ${unitBehind(told?.goodness?.unit ?? '')}`}
      </text>
      <path
        d={strokesOf(told?.residuals.x ?? [], told?.residuals.residuals ?? [], across, REST.middle, REST.half)}
        stroke="var(--run-2)"
        strokeWidth={isFew ? 3 : 1}
      />
    </svg>
  )
}
