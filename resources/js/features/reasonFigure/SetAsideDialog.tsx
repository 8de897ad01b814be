import type { Notebook, Row, RunRows } from '../../lib/api/types'
import { readingsName } from '../../lib/notebook/labels'
import { ReasonDialog } from '../../ui/ReasonDialog'
import type { Within } from '../notebook'
import { useSetAside } from './useSetAside'

interface SetAsideDialogProps {
  notebook: Notebook
  rows: RunRows
  readings: readonly Row[]
  /** Where a run has more rows than are known here: all that lie there. */
  within?: Within | null
  onClose: () => void
}

const USUAL_REASONS = ['read before it was steady', 'probe was touched', 'step misread', 'typed wrongly']

/** A reading is never thrown away: it is set aside with a reason, and stays in sight. */
export function SetAsideDialog({ notebook, rows, readings, within = null, onClose }: SetAsideDialogProps) {
  const { foresee, putAside, error, isPending } = useSetAside(notebook, rows)
  const what = within === null ? readingsName(readings, notebook.columns) : 'all rows of this span'
  return (
    <ReasonDialog
      title={`Set aside ${what}`}
      usual={USUAL_REASONS}
      problem={error}
      isPending={isPending}
      onBegin={() => {
        foresee({ readings, within })
      }}
      onReason={(reason) => {
        putAside({ readings, within }, reason, onClose)
      }}
      onClose={onClose}
    >
      It stays in the figure, hollow and struck through, and out of every calculation.
    </ReasonDialog>
  )
}
