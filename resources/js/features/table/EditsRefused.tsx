import { Note } from '../../ui/Note'
import { ProblemNote } from '../../ui/ProblemNote'

interface EditsRefusedProps {
  edits: { refused: string | null; tryAgain: () => void; giveUp: () => void }
  problem: Error | null
}

/** What was typed and could not be kept stays in its cells until it is tried again or given up. */
export function EditsRefused({ edits, problem }: EditsRefusedProps) {
  return (
    <>
      {edits.refused === null ? null : (
        <Note tone="red" role="alert">
          {edits.refused}{' '}
          <button type="button" className="word-button" onClick={edits.tryAgain}>
            try again
          </button>{' '}
          <button type="button" className="word-button font-normal!" onClick={edits.giveUp}>
            leave it as it was
          </button>
        </Note>
      )}
      <ProblemNote problem={problem} />
    </>
  )
}
