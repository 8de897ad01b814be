import { useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query'
import { answerOf } from '../../lib/api/client'
import type { Change, Notebook } from '../../lib/api/types'
import { applyChange, applyWorked, hasMissed } from '../../lib/notebook/applyChange'
import { screenId } from '../../lib/notebook/screenId'
import { uuid } from '../../lib/uuid'
import { notebookKey, rowsKey, workedKey } from './useNotebook'

/** What goes with every request that changes a notebook. */
export interface Sending {
  'Request-Key': string
  Screen: string
  'Seen-Revision'?: number
}

type Answer = Parameters<typeof answerOf<Change>>[0]

/** What the screens know of a notebook becomes what an answer says; whatever was missed is fetched. */
export function takeIn(client: QueryClient, experimentId: number, change: Change): void {
  const before = client.getQueryData<Notebook>(notebookKey(experimentId))
  // An answer that comes after newer news would bring back what was before them.
  if (before === undefined || change.revision < before.revision) {
    void renew(client, experimentId)
    return
  }
  // What is on its way may have been read before the change, and would bring that back.
  const onTheWay = [notebookKey(experimentId), workedKey(experimentId)].filter(
    (queryKey) => client.isFetching({ queryKey }) > 0,
  )
  for (const queryKey of [...onTheWay, ...change.rows.map(({ id }) => rowsKey(id))]) {
    void client.cancelQueries({ queryKey })
  }
  const now = applyChange(before, change)
  client.setQueryData(notebookKey(experimentId), now)
  client.setQueryData<{ revision: number; worked: Change['worked'] }>(workedKey(experimentId), (worked) =>
    worked === undefined ? worked : { revision: change.revision, worked: applyWorked(worked.worked, change, now) },
  )
  for (const rows of change.rows) client.setQueryData(rowsKey(rows.id), rows)
  if (change.changesCells) void client.invalidateQueries({ queryKey: ['rows'] })
  if (hasMissed(before, change)) void renew(client, experimentId)
  else for (const queryKey of onTheWay) void client.invalidateQueries({ queryKey })
}

/** All that screens know of a notebook. */
function keysOf(experimentId: number) {
  return [notebookKey(experimentId), workedKey(experimentId), ['rows']]
}

export async function renew(client: QueryClient, experimentId: number): Promise<void> {
  await Promise.all(keysOf(experimentId).map((queryKey) => client.invalidateQueries({ queryKey })))
}

/**
 * A change of a notebook. Each act has a key of its own, so that sending it again does nothing twice, and says what was on
 * the screen, so that nothing somebody else did meanwhile is written over.
 */
export function useChange<Input = void>(experimentId: number, send: (input: Input, sending: Sending) => Answer) {
  const client = useQueryClient()
  const mutation = useMutation({
    mutationFn: ({ input, sending }: { input: Input; sending: Sending }) => answerOf(send(input, sending)),
    onSuccess: (change) => {
      takeIn(client, experimentId, change)
    },
  })

  function request(input: Input) {
    const seen = client.getQueryData<Notebook>(notebookKey(experimentId))?.revision
    const sending: Sending = {
      'Request-Key': uuid(),
      Screen: screenId,
      ...(seen === undefined ? {} : { 'Seen-Revision': seen }),
    }
    return { input, sending }
  }

  return {
    act: (input: Input, then?: (change: Change) => void) => {
      mutation.mutate(request(input), then === undefined ? {} : { onSuccess: then })
    },
    ask: (input: Input): Promise<Change> => mutation.mutateAsync(request(input)),
    last: mutation.variables?.input,
    error: mutation.error,
    isPending: mutation.isPending,
    reset: mutation.reset,
  }
}
