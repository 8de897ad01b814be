import { runShape } from '../lib/figure/ink'

const PATHS: Record<string, string> = {
  circle: 'M6 1a5 5 0 1 0 0 10a5 5 0 1 0 0-10z',
  diamond: 'M6 0l6 6l-6 6l-6-6z',
  triangle: 'M6 1l6 10H0z',
  rect: 'M1 1h10v10H1z',
}
const COLOURS = 4

/** Colour and shape of a run, as the figures draw it. */
export function RunSwatch({ number, isFaint = false }: { number: number; isFaint?: boolean }) {
  return (
    <svg viewBox="0 0 12 12" className="size-3 shrink-0" aria-hidden="true">
      <path
        d={PATHS[runShape(number)] ?? PATHS.circle}
        fill={isFaint ? 'none' : `var(--run-${((number - 1) % COLOURS) + 1})`}
        stroke={`var(--run-${((number - 1) % COLOURS) + 1})`}
        strokeWidth={isFaint ? 1.5 : 0}
      />
    </svg>
  )
}
