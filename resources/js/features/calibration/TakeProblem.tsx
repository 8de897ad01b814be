import { Problem, sentenceOf } from '../../lib/api/problem'
import { Note } from '../../ui/Note'

interface TakeProblemProps {
  problem: Error | null
  onTakeAnyway: () => void
}

/** Why a reading was not taken; where it was only not steady yet, the way to take it all the same. */
export function TakeProblem({ problem, onTakeAnyway }: TakeProblemProps) {
  if (problem === null) return null
  return (
    <Note tone="amber" role="alert">
      {sentenceOf(problem)}{' '}
      {problem instanceof Problem && problem.code === 'not-steady' ? (
        <button type="button" className="word-button" onClick={onTakeAnyway}>
          Take it anyway
        </button>
      ) : null}
    </Note>
  )
}
