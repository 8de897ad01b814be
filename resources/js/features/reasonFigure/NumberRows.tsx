interface NumberRow {
  word: string
  value: string
  beside: readonly string[]
  problem: string | null
}

interface NumberRowsProps<Row extends NumberRow> {
  label: string
  rows: readonly Row[]
  /** Whether they are those of before, until the new ones come. */
  isOld?: boolean
  isPending: boolean
  onKeep: (row: Row) => void
}

/** Numbers that can be kept as lines of working, each by its word. */
export function NumberRows<Row extends NumberRow>({
  label,
  rows,
  isOld = false,
  isPending,
  onKeep,
}: NumberRowsProps<Row>) {
  return (
    <dl
      className={`my-1.5 grid grid-cols-[auto_1fr] items-baseline gap-x-3 gap-y-1 ${isOld ? 'opacity-60' : ''}`}
      aria-label={label}
      aria-busy={isOld}
    >
      {rows.map((row) => (
        <div key={row.word} className="contents">
          <dt>
            <button
              type="button"
              className="word-button"
              disabled={isPending || row.problem !== null}
              title={row.problem ?? `Keep “${row.word}” as a line`}
              onClick={() => {
                onKeep(row)
              }}
            >
              {row.word}
            </button>
          </dt>
          <dd className="flex flex-wrap items-baseline gap-x-2">
            <span className="num whitespace-nowrap">{row.value}</span>
            {row.beside.map((words) => (
              <span key={words} className="quiet text-xs whitespace-nowrap">
                {words}
              </span>
            ))}
            {row.problem === null ? null : <span className="quiet text-xs">{row.problem}</span>}
          </dd>
        </div>
      ))}
    </dl>
  )
}
