import type { Notebook } from '../../lib/api/types'
import { EditableTitle } from '../../ui/EditableTitle'
import { useExperimentChange } from '../notebook'

export function ExperimentTitle({ notebook }: { notebook: Notebook }) {
  const change = useExperimentChange(notebook.id)
  return (
    <EditableTitle
      level={1}
      className="flex-1"
      shown={notebook.title}
      text={notebook.title}
      label="Title of the experiment"
      maxLength={120}
      problem={change.error}
      onKeep={(title, then) => {
        change.act({ title }, then)
      }}
    />
  )
}
