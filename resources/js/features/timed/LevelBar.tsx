interface LevelBarProps {
  value: number
  level: number
}

/** Where a live value stands beside the level a run waits for. */
export function LevelBar({ value, level }: LevelBarProps) {
  const reach = Math.max(Math.abs(value - level), Math.abs(level) * 0.05, 1e-9) * 1.3
  const place = (at: number) => 50 + (at / reach) * 45
  const at = Math.max(2, Math.min(98, place(value - level)))
  return (
    <div className="bg-base-200 relative my-2 h-4 rounded" aria-hidden="true">
      <span className="bg-primary absolute inset-y-0 w-0.5" style={{ left: '50%' }} />
      <span
        className="bg-base-content absolute top-1/2 size-3 -translate-1/2 rounded-full"
        style={{ left: `${at}%` }}
      />
    </div>
  )
}
