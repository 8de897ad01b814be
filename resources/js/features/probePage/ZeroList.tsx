import { dayAndTime } from '../../lib/ago'
import type { Probe } from '../../lib/api/types'
import { shownQuantity } from '../../lib/probes/shown'
import { useNow } from '../../ui/useNow'
import { useUndoZero, useZeros } from '../probes/useZero'

const MOST = 5

/** When it was zeroed, and what it had read until then. */
export function ZeroList({ probe }: { probe: Probe }) {
  const zeros = useZeros(probe.id)
  const undo = useUndoZero()
  const now = useNow(30_000)
  if (zeros.data === undefined || zeros.data.length === 0) return null
  return (
    <section aria-labelledby="zeros-title">
      <h2 id="zeros-title" className="font-semibold">
        Zeros
      </h2>
      <ul className="text-sm">
        {zeros.data.slice(0, MOST).map((zero) => {
          const before = shownQuantity({ ...probe, unit: zero.unit }, zero.valueBefore)
          return (
            <li key={zero.id} className="flex items-baseline justify-between gap-2 py-0.5">
              <span className={zero.undoneAt === null ? '' : 'quiet line-through'}>
                {dayAndTime(new Date(zero.takenAt), now)}: {before.text} {before.unit} became 0
              </span>
              {zero.id === probe.zero?.id ? (
                <button
                  type="button"
                  className="word-button"
                  onClick={() => {
                    undo.mutate(zero.id)
                  }}
                >
                  undo
                </button>
              ) : null}
            </li>
          )
        })}
      </ul>
    </section>
  )
}
