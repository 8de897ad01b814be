import { sentenceOf } from '../lib/api/problem'
import { Note } from './Note'

/** What could not be done, in a sentence; nothing while all is well. */
export function ProblemNote({ problem }: { problem: Error | null | undefined }) {
  if (problem === null || problem === undefined) return null
  return (
    <Note tone="red" role="alert">
      {sentenceOf(problem)}
    </Note>
  )
}
