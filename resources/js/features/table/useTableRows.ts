import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import type { Row, RunRows } from '../../lib/api/types'

/** Rows that are fetched at once where a run is too long to be sent as a whole: what is on screen, and as much beside it. */
const PAGE = 300

/**
 * The rows of a run by place, however many there are. Of a short one all are at hand; of a long one those around what is on
 * screen are fetched, and until they are there a row is not known.
 */
export function useTableRows(rows: RunRows, revision: number, firstShown: number) {
  const count = rows.typed?.rowCount ?? rows.rows.length
  const isLong = rows.typed?.isThinned === true
  const from = Math.max(0, Math.floor(firstShown / PAGE) * PAGE - PAGE)
  const page = useQuery({
    queryKey: ['rows', rows.id, 'page', from, revision],
    queryFn: () =>
      answerOf(
        api.GET('/api/runs/{run}/rows', { params: { path: { run: rows.id }, query: { from, count: 3 * PAGE } } }),
      ),
    enabled: isLong,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  })

  function rowAt(place: number): Row | undefined {
    if (!isLong) return rows.rows[place]
    return page.data === undefined ? undefined : page.data.rows[place - page.data.from]
  }

  return { count, rowAt, error: page.error }
}
