import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
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
  const keep = useMutation({
    mutationFn: (source: File | string) => {
      if (typeof source !== 'string' && source.size > LARGEST_BYTES)
        throw new Error(
          `${source.name} is larger than 50 MB. Save fewer rows or columns of it as CSV, or every second row, and try again.`,
        )
      const params = { path, header: { 'Request-Key': uuid() } }
      if (typeof source === 'string')
        return answerOf(api.POST('/api/experiments/{experiment}/files', { params, body: { text: source } }))
      const body = new FormData()
      body.append('file', source)
      return answerOf(
        api.POST('/api/experiments/{experiment}/files', {
          params,
          body: body as unknown as { text: string },
          bodySerializer: () => body,
        }),
      )
    },
    onSuccess: setPreview,
  })
  const understand = useMutation({
    mutationFn: ({ file, separator, mark, hasHeader }: Hints & { file: number }) =>
      answerOf(
        api.GET('/api/experiments/{experiment}/files/{file}', {
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
  return { preview, keep, understand, take }
}
