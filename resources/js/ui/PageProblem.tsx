import { Link } from 'react-router'
import { ProblemNote } from './ProblemNote'

interface PageProblemProps {
  problem: Error
  back?: { to: string; words: string }
}

/** A page whose data could not be fetched: why, and the way back. */
export function PageProblem({ problem, back }: PageProblemProps) {
  return (
    <main className="mx-auto flex max-w-lg flex-col gap-4 p-8">
      <ProblemNote problem={problem} />
      {back === undefined ? null : (
        <Link to={back.to} className="word-button self-start">
          {back.words}
        </Link>
      )}
    </main>
  )
}
