import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { TablePreview } from '../../lib/api/types'
import { uuid } from '../../lib/uuid'
import { useChange } from '../notebook'
import type { Wanted, Way } from '../../lib/table/taking'

type Hints = TablePreview['hints']

/** More than this is not sent: the answer is known before. */
const LARGEST_BYTES = 50_000_000

/** A file or a pasted text: kept, understood, understood otherwise, and taken into the notebook. */
export function useTableFile(experiment: number) {
  const [preview, setPreview] = useState<TablePreview | null>(null)
  const path = { experiment }
  const client = useQueryClient()
  const onTheWay = useRef<AbortController | null>(null)
  const taken = useQuery({
    queryKey: ['files', experiment],
    queryFn: () => answerOf(api.GET('/api/experiments/{experiment}/files', { params: { path } })),
  })
  /** Null if somebody has cancelled it meanwhile. */
  async function unlessCancelled(ask: (signal: AbortSignal) => Promise<TablePreview>): Promise<TablePreview | null> {
    const { signal } = (onTheWay.current = new AbortController())
    try {
      return await ask(signal)
    } catch (error) {
      if (signal.aborted) return null
      throw error
    }
  }
  const keep = useMutation({
    mutationFn: (source: File | string): Promise<TablePreview | null> => {
      if (typeof source !== 'string' && source.size > LARGEST_BYTES)
        throw new Error(
          `${source.name} is larger than 50 MB. Save fewer rows or columns of it as CSV, or every second row, and try again.`,
        )
      const params = { path, header: { 'Request-Key': uuid() } }
      const form = new FormData()
      if (typeof source !== 'string') form.append('file', source)
      const body =
        typeof source === 'string'
          ? { body: { text: source } }
          : { body: form as unknown as { text: string }, bodySerializer: () => form }
      return unlessCancelled((signal) =>
        answerOf(api.POST('/api/experiments/{experiment}/files', { params, signal, ...body })),
      )
    },
    onSuccess: setPreview,
  })
  const understand = useMutation({
    mutationFn: ({ file, separator, mark, hasHeader }: Hints & { file: number }) =>
      unlessCancelled((signal) =>
        answerOf(
          api.GET('/api/experiments/{experiment}/files/{file}', {
            signal,
            params: {
              path: { experiment, file },
              query: {
                ...(separator === null ? {} : { separator }),
                ...(mark === null ? {} : { mark }),
                ...(hasHeader === null ? {} : { hasHeader }),
              },
            },
          }),
        ),
      ),
    onSuccess: setPreview,
  })
  const take = useChange<{ preview: TablePreview; wanted: Wanted[]; runId: number | null; way: Way }>(
    experiment,
    ({ preview: { id, hints }, wanted, runId, way }, header) =>
      api.POST('/api/experiments/{experiment}/files/{file}/take', {
        params: { path: { experiment, file: id }, header },
        body: {
          hints,
          runId,
          asTrials: way === 'trials',
          isBeside: way === 'beside',
          columns: wanted
            .filter(({ isTaken }) => isTaken)
            .map(({ place, columnId, symbol, name, unit, isWords }) => ({
              place,
              columnId,
              symbol,
              name,
              unit,
              isWords,
            })),
        },
      }),
  )
  return {
    preview,
    taken: taken.data ?? [],
    keep,
    understand,
    take: {
      ...take,
      act: (input: Parameters<typeof take.act>[0], then: Parameters<typeof take.act>[1]) => {
        take.act(input, (change) => {
          void client.invalidateQueries({ queryKey: ['files', experiment] })
          then?.(change)
        })
      },
    },
    cancel: () => {
      onTheWay.current?.abort()
    },
  }
}
