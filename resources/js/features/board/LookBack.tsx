import { clockWords } from '../../lib/timed/words'
import { timedNow } from '../timed'
import { useSource } from './source'

/** Steps of the slider over a whole run. */
const STEPS = 400

interface LookBackProps {
  onLook: (at: number | null) => void
  /** How many readings a stepwise run has. */
  count: number
}

/** Any earlier moment of the run, while it goes on. */
export function LookBack({ onLook, count }: LookBackProps) {
  const { run, live, at } = useSource()
  if (run === null) return null
  const isTimed = run.timed !== null
  const to = isTimed ? timedNow(run, live).elapsed : count
  const from = run.timed === null ? 1 : -(run.timed.plan.begin?.before ?? 0)
  if (to <= from) return null
  const step = isTimed ? Math.max((to - from) / STEPS, 1e-3) : 1
  return (
    <div className="bg-base-200 sticky bottom-0 flex items-center gap-3 py-2 text-base">
      <label className="flex min-w-0 flex-1 items-center gap-3">
        <span className="whitespace-nowrap">Look back</span>
        <input
          type="range"
          className="range range-sm range-primary min-w-0 flex-1"
          min={from}
          max={to}
          step={step}
          value={at ?? to}
          aria-valuetext={words(at ?? to, isTimed)}
          onChange={(event) => {
            const value = Number(event.target.value)
            onLook(value >= to - step ? null : value)
          }}
        />
      </label>
      <span className="num w-24 text-right">{at === null ? 'now' : words(at, isTimed)}</span>
      <button
        type="button"
        className="btn btn-sm"
        disabled={at === null}
        onClick={() => {
          onLook(null)
        }}
      >
        Now
      </button>
    </div>
  )
}

function words(at: number, isTimed: boolean): string {
  return isTimed ? clockWords(at) : `reading ${at}`
}
