import { Link } from 'react-router'
import type { Notebook } from '../../lib/api/types'

/** The runs there are, one press away. */
export function RunLinks({ notebook }: { notebook: Notebook }) {
  if (notebook.runs.length === 0) return null
  return (
    <p className="quiet mt-auto text-sm">
      Earlier:{' '}
      {notebook.runs.map((run) => (
        <span key={run.id}>
          <Link to={`/experiments/${notebook.id}/record?run=${run.id}`} className="word-button">
            {run.name.toLowerCase().startsWith('run ') ? run.name.toLowerCase() : run.name}
          </Link>{' '}
        </span>
      ))}
    </p>
  )
}
