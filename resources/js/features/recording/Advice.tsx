import type { Column, PlanRange, RunRows } from '../../lib/api/types'
import { stepWords } from '../../lib/notebook/labels'
import { Note } from '../../ui/Note'

interface AdviceProps {
  rows: RunRows
  step: Column | undefined
  isPending: boolean
  onUse: (refine: PlanRange) => void
}

/** What the methods that watch the run have to say, with the one click that follows it. */
export function Advice({ rows, step, isPending, onUse }: AdviceProps) {
  const { advice } = rows
  if (advice === null) return null
  const { refine } = advice
  return (
    <div className="mt-2">
      <Note tone="amber" role="status">
        {advice.warnings.map((warning) => (
          <span key={warning.code}>
            <strong>{warning.title}</strong> {warning.text}{' '}
          </span>
        ))}
        {refine === null ? null : (
          <button
            type="button"
            className="cursor-pointer font-semibold underline"
            disabled={isPending}
            onClick={() => {
              onUse(refine)
            }}
          >
            Use {stepWords(refine.step, step)} steps to {stepWords(refine.to, step)}
          </button>
        )}
      </Note>
    </div>
  )
}
