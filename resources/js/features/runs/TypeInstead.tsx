import { useNavigate } from 'react-router'
import type { Notebook } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { useStartRun } from '../notebook'

interface TypeInsteadProps {
  notebook: Notebook
  className?: string
  children: React.ReactNode
}

/** A run needs no bench when its numbers are there already: begins one, and goes to its table. */
export function TypeInstead({ notebook, className = 'word-button font-normal!', children }: TypeInsteadProps) {
  const start = useStartRun(notebook.id)
  const navigate = useNavigate()
  return (
    <>
      <button
        type="button"
        className={className}
        disabled={start.isPending}
        onClick={() => {
          start.act({ kind: 'typed' }, ({ made }) => {
            if (made !== null) void navigate(`/experiments/${notebook.id}/record?run=${made}`)
          })
        }}
      >
        {children}
      </button>
      <ProblemNote problem={start.error} />
    </>
  )
}
