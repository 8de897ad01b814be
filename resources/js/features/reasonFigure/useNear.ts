import { useQueries } from '@tanstack/react-query'
import { useMemo } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Figure, Notebook, RunRows, RunSummary } from '../../lib/api/types'
import type { AxisRange } from '../../lib/figure/axes'
import { isThinned, withNear } from '../../lib/notebook/nearRows'

interface Other { run: RunSummary; rows: RunRows }

const KEPT_MS = 30_000

/** The rows of the run in hand and of others; where a stretch of long ones is looked at closely, with more of its rows. */
export function useNear(
  notebook: Notebook,
  figure: Figure | undefined,
  rows: RunRows,
  others: readonly Other[],
  looked: AxisRange | null,
): { rows: RunRows; others: readonly Other[] } {
  const [x, columns] = [figure?.x ?? '', (figure?.panels ?? []).flatMap(({ y, right }) => [...y, ...right]).join(',')]
  const near = useQueries({
    queries: [rows, ...others.map((other) => other.rows)].map((of) => ({
      // With each revision of the notebook rows may be others.
      queryKey: ['near', of.id, x, columns, looked?.min, looked?.max, notebook.revision],
      queryFn: () =>
        answerOf(
          api.GET('/api/runs/{run}/near', {
            params: {
              path: { run: of.id },
              query: { x, columns, from: looked?.min ?? 0, to: looked?.max ?? 0 },
            },
          }),
        ),
      enabled: looked !== null && isThinned(of),
      staleTime: Infinity,
      gcTime: KEPT_MS,
    })),
    combine: (results) => results.map(({ data }) => data),
  })
  return useMemo(() => {
    const [own, ...further] = near
    const joined = (of: RunRows, known: (typeof near)[number]) =>
      looked === null || known === undefined ? of : withNear(of, known)
    return {
      rows: joined(rows, own),
      others: others.map((other, i) => ({ ...other, rows: joined(other.rows, further[i]) })),
    }
  }, [near, rows, others, looked])
}
