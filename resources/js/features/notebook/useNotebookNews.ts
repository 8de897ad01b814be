import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import type { Notebook } from '../../lib/api/types'
import { experimentChannel } from '../../lib/live/channels'
import { screenId } from '../../lib/notebook/screenId'
import { renew } from './takeIn'
import { notebookKey } from './useNotebook'

/** Asks again when another screen has changed something of this notebook. */
export function useNotebookNews(experimentId: number): void {
  const client = useQueryClient()
  useEffect(() => {
    const channel = experimentChannel(experimentId)
    return channel.subscribe(() => {
      const news = channel.value
      // News of this screen's own change: its answer says it all.
      if (news?.screen === screenId) return
      const known = client.getQueryData<Notebook>(notebookKey(experimentId))
      if (news !== null && known !== undefined && known.revision >= news.revision) return
      void renew(client, experimentId)
    })
  }, [client, experimentId])
}
