import type { PlanRange, Run } from '../../lib/api/types'
import { volume } from '../../lib/format'
import { Note } from '../../ui/Note'

interface AdviceProps {
  run: Run
  isPending: boolean
  onUse: (change: { refine: PlanRange }) => void
}

/** Smaller steps in time, with the one click that takes them. */
export function Advice({ run, isPending, onUse }: AdviceProps) {
  const { advice } = run
  if (advice === null) return null
  return (
    <div className="mt-2">
      <Note tone="amber" role="status">
        <strong>{advice.title}</strong> {advice.sentence}{' '}
        <button
          type="button"
          className="cursor-pointer font-semibold underline"
          disabled={isPending}
          onClick={() => {
            onUse({ refine: { from: advice.from, to: advice.to, step: advice.step } })
          }}
        >
          Use {volume(advice.step)} mL steps to {volume(advice.to)} mL
        </button>
      </Note>
    </div>
  )
}
