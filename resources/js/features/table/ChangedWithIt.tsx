import type { Changed } from '../../lib/notebook/whatChanged'

const MOST_TOLD = 4

/** What hangs on the cells that were typed last, and is others now. */
export function ChangedWithIt({ columns, results }: { columns: readonly string[]; results: readonly Changed[] }) {
  const parts = [
    ...results.slice(0, MOST_TOLD).map(({ title, before, now }) => `${title} ${before} → ${now}`),
    ...(results.length > MOST_TOLD ? [`${results.length - MOST_TOLD} more results`] : []),
    ...(columns.length === 0 ? [] : [`${columns.length === 1 ? 'column' : 'columns'} ${columns.join(', ')}`]),
  ]
  return (
    <p role="status" className="quiet px-4 pt-2 text-sm empty:hidden">
      {parts.length === 0 ? null : `Changed with it: ${parts.join('; ')}`}
    </p>
  )
}
