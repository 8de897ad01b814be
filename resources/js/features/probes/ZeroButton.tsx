import type { Probe } from '../../lib/api/types'
import { sentenceOf } from '../../lib/api/problem'
import { shownQuantity } from '../../lib/probes/shown'
import { useNotices } from '../../ui/notices'
import { useUndoZero, useZero } from './useZero'

/** Says "this is nothing", once; and takes it back, as a slip of the finger costs a run. */
export function ZeroButton({ probe }: { probe: Probe }) {
  const zero = useZero(probe.id)
  const undo = useUndoZero()
  const { tell } = useNotices()
  return (
    <button
      type="button"
      className="btn btn-sm btn-ghost"
      aria-label={`Zero ${probe.title} ${probe.serial}`}
      disabled={zero.isPending || !probe.isPresent}
      onClick={() => {
        zero.mutate(undefined, {
          onSuccess: (taken) => {
            const before = shownQuantity({ ...probe, unit: taken.unit }, taken.valueBefore)
            tell(`${probe.title} zeroed: what read ${before.text} ${before.unit} now reads 0.`, () => {
              undo.mutate(taken.id)
            })
          },
          onError: (error) => {
            tell(sentenceOf(error))
          },
        })
      }}
    >
      Zero
    </button>
  )
}
