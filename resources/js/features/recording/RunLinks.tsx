import { Link } from 'react-router'
import type { Notebook } from '../../lib/api/types'

/** The runs there are, one press away. */
export function RunLinks({ notebook, except }: { notebook: Notebook; except?: number }) {
  const runs = notebook.runs.filter(({ id }) => id !== except)
  if (runs.length === 0) return null
  return (
    <p className="quiet mt-auto text-sm">
      {except === undefined ? 'Earlier' : 'Other runs'}:{' '}
      {runs.map((run) => (
        <span key={run.id}>
          <Link to={`/experiments/${notebook.id}/record?run=${run.id}`} className="word-button">
            {run.name.toLowerCase().startsWith('run ') ? run.name.toLowerCase() : run.name}
          </Link>{' '}
        </span>
      ))}
    </p>
  )
}
