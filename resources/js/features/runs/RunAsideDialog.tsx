import type { Notebook, RunSummary } from '../../lib/api/types'
import { useNotices } from '../../ui/notices'
import { ReasonDialog } from '../../ui/ReasonDialog'
import { useRunActions, useUndo } from '../notebook'

interface RunAsideDialogProps {
  notebook: Notebook
  run: RunSummary
  onClose: () => void
}

const USUAL_REASONS = ['stopper was loose', 'probe was touched', 'wrong sample', 'started late']

/** A run that does not count among the others: it stays in sight, with why. */
export function RunAsideDialog({ notebook, run, onClose }: RunAsideDialogProps) {
  const { change } = useRunActions(run.id, notebook.id)
  const { undo } = useUndo(notebook.id)
  const { tell } = useNotices()
  return (
    <ReasonDialog
      title={`Set ${run.name} aside`}
      usual={USUAL_REASONS}
      problem={change.error}
      isPending={change.isPending}
      onReason={(aside) => {
        change.act({ aside }, () => {
          tell(`${run.name} is set aside; what is worked out from the runs is done again without.`, () => {
            undo.act()
          })
          onClose()
        })
      }}
      onClose={onClose}
    >
      It stays in the table, struck through, and out of means, figures and lines over the runs.
    </ReasonDialog>
  )
}
