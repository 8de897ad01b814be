import type { RunSummary } from '../../lib/api/types'
import { useNotices } from '../../ui/notices'
import { ProblemNote } from '../../ui/ProblemNote'
import { useRunActions, useUndo } from '../notebook'

interface ThrowAwayProps {
  run: RunSummary
  experimentId: number
  onGone: () => void
}

/** Throws a run away, and says how it comes back. */
export function ThrowAway({ run, experimentId, onGone }: ThrowAwayProps) {
  const { throwAway } = useRunActions(run.id, experimentId)
  const { undo } = useUndo(experimentId)
  const { tell } = useNotices()
  return (
    <>
      <button
        type="button"
        className="word-button font-normal!"
        disabled={throwAway.isPending}
        onClick={() => {
          throwAway.act(undefined, () => {
            onGone()
            tell(`${run.name} is thrown away.`, () => {
              undo.act()
            })
          })
        }}
      >
        throw away
      </button>
      <ProblemNote problem={throwAway.error} />
    </>
  )
}
