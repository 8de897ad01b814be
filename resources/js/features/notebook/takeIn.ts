import type { QueryClient } from '@tanstack/react-query'
import type { Change, Notebook, RunRows } from '../../lib/api/types'
import { applyChange, applyWorked, hasMissed } from '../../lib/notebook/applyChange'
import { completed } from '../../lib/notebook/completed'
import { notebookKey, rowsKey, workedKey } from './useNotebook'

/** What the screens know of a notebook becomes what an answer says; whatever was missed is fetched. */
export function takeIn(client: QueryClient, experimentId: number, change: Change): void {
  const before = client.getQueryData<Notebook>(notebookKey(experimentId))
  // An answer that comes after newer news would bring back what was before them.
  if (before === undefined || change.revision < before.revision) {
    void renew(client, experimentId)
    return
  }
  // What is on its way may have been read before the change, and would bring that back.
  const inPart = change.rows.filter((rows) => (rows.typed?.only ?? null) !== null)
  const onTheWay = [
    notebookKey(experimentId),
    workedKey(experimentId),
    // What is told in part stands on what was known before.
    ...inPart.map(({ id }) => rowsKey(id)),
  ].filter((queryKey) => client.isFetching({ queryKey }) > 0)
  for (const queryKey of [...onTheWay, ...change.rows.map(({ id }) => rowsKey(id))]) {
    void client.cancelQueries({ queryKey })
  }
  const now = applyChange(before, change)
  client.setQueryData(notebookKey(experimentId), now)
  client.setQueryData<{ revision: number; worked: Change['worked'] }>(workedKey(experimentId), (worked) =>
    worked === undefined ? worked : { revision: change.revision, worked: applyWorked(worked.worked, change, now) },
  )
  for (const rows of change.rows) client.setQueryData<RunRows>(rowsKey(rows.id), (known) => completed(known, rows))
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
