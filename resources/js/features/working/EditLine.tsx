import type { Line, Notebook } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { useLines } from '../notebook'
import { filledOf } from './lineInputs'
import { LineForm } from './LineForm'
import { useMethods } from './useMethods'

/** Another title, another symbol, other inputs; formulas that use the symbol are rewritten. */
export function EditLine({ notebook, line, onClose }: { notebook: Notebook; line: Line; onClose: () => void }) {
  const { change } = useLines(notebook.id)
  return (
    <Dialog title="Change the line" onClose={onClose}>
      <LineForm
        notebook={notebook}
        method={useMethods().data?.find(({ key }) => key === line.method)}
        initial={{
          title: line.title,
          symbol: line.symbol,
          isPerRun: line.isPerRun,
          onlyRun: line.onlyRun,
          filled: filledOf(line),
        }}
        line={line}
        confirm="Keep"
        problem={change.error}
        isPending={change.isPending}
        onKeep={({ symbol, ...kept }) => {
          change.act({ line: line.id, ...kept, ...(symbol === null ? {} : { symbol }) }, onClose)
        }}
        onClose={onClose}
      />
    </Dialog>
  )
}
