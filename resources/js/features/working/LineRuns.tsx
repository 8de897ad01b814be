import type { RunSummary } from '../../lib/api/types'

interface LineRunsProps {
  runs: readonly RunSummary[]
  isPerRun: boolean
  onlyRun: number | null
  onChange: (of: { isPerRun: boolean; onlyRun: number | null }) => void
}

const EACH = 'each'
const ALL = 'all'

/** Which runs a line is worked out for: each of them, all together, or a single one. */
export function LineRuns({ runs, isPerRun, onlyRun, onChange }: LineRunsProps) {
  return (
    <label className="flex flex-wrap items-center gap-2 text-sm">
      <span className="quiet">Worked out for</span>
      <select
        className="select select-sm bg-base-100 w-auto"
        value={isPerRun ? EACH : (onlyRun ?? ALL)}
        onChange={(event) => {
          const chosen = event.target.value
          onChange({
            isPerRun: chosen === EACH,
            onlyRun: chosen === EACH || chosen === ALL ? null : Number(chosen),
          })
        }}
      >
        <option value={EACH}>each run</option>
        <option value={ALL}>all runs together</option>
        {runs.map(({ id, number, name }) => (
          <option key={id} value={number}>
            {name} alone
          </option>
        ))}
      </select>
    </label>
  )
}
