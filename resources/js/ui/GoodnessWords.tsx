import type { Goodness } from '../lib/api/types'
import { countOf, typeset } from '../lib/format'
import { unitBehind } from '../lib/notebook/labels'
import { rSquaredText } from '../lib/straighten/tile'

/** How well a curve describes its points, in one line; R² never without n and what is left over. */
export function GoodnessWords({ goodness, setAside = 0 }: { goodness: Goodness; setAside?: number }) {
  const { n, degreesOfFreedom, rSquared, shownRmse, unit, verdict, bends } = goodness
  const told = [
    ...(rSquared === null ? [] : [`R² ${typeset(rSquaredText(rSquared))}`]),
    `RMSE ${shownRmse} ${unitBehind(unit)}`.trim(),
    `n ${n}`,
    countOf(degreesOfFreedom, 'degree').replace(/degrees?$/, (word) => `${word} of freedom`),
    ...(setAside === 0 ? [] : [`${setAside} set aside`]),
  ]
  return (
    <>
      <span className="tabular-nums">{told.join(' · ')}</span> ·{' '}
      <span className={bends ? 'amber font-semibold' : ''}>{verdict}</span>
    </>
  )
}
