import { useQueries } from '@tanstack/react-query'
import { useMemo } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Figure, Notebook, RunRows, RunSummary } from '../../lib/api/types'
import type { AxisRange } from '../../lib/figure/axes'
import { isThinned, withNear } from '../../lib/notebook/nearRows'

interface Other {
  run: RunSummary
  rows: RunRows
}

const KEPT_MS = 30_000

/** A stretch somewhat wider than the one that is looked at, so that not every move of a hand asks for another. */
export function around({ min, max }: AxisRange): AxisRange {
  const step = 2 ** Math.ceil(Math.log2(max - min))
  return { min: Math.floor(min / step) * step, max: Math.ceil(max / step) * step }
}

/** The rows of the run in hand and of others; where a stretch of long ones is looked at closely, with more of its rows. */
export function useNear(
  notebook: Notebook,
  figure: Figure | undefined,
  rows: RunRows,
  others: readonly Other[],
  seen: AxisRange | null,
): { rows: RunRows; others: readonly Other[] } {
  const [from, to] = seen === null ? [null, null] : [around(seen).min, around(seen).max]
  const [x, columns] = [figure?.x ?? '', (figure?.panels ?? []).flatMap(({ y, right }) => [...y, ...right]).join(',')]
  const near = useQueries({
    queries: [rows, ...others.map((other) => other.rows)].map((of) => ({
      // With each revision of the notebook rows may be others.
      queryKey: ['near', of.id, x, columns, from, to, notebook.revision],
      queryFn: () =>
        answerOf(
          api.GET('/api/runs/{run}/near', {
            params: {
              path: { run: of.id },
              query: { x, columns, from: from ?? 0, to: to ?? 0 },
            },
          }),
        ),
      enabled: from !== null && isThinned(of),
      staleTime: Infinity,
      gcTime: KEPT_MS,
    })),
    combine: (results) => results.map(({ data }) => data),
  })
  return useMemo(() => {
    const [own, ...further] = near
    const joined = (of: RunRows, known: (typeof near)[number]) =>
      from === null || known === undefined ? of : withNear(of, known)
    return {
      rows: joined(rows, own),
      others: others.map((other, i) => ({ ...other, rows: joined(other.rows, further[i]) })),
    }
  }, [near, rows, others, from])
}
