import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { experimentChannel } from '../../lib/live/channels'

/** Asks again when another screen has changed something of this experiment. */
export function useExperimentNews(experimentId: number): void {
  const client = useQueryClient()
  useEffect(
    () =>
      experimentChannel(experimentId).subscribe(() => {
        // News of this screen's own change: its answer is on the way and renews everything by itself.
        if (client.isMutating() > 0) return
        void client.invalidateQueries({ queryKey: ['working', experimentId] })
        void client.invalidateQueries({ queryKey: ['run'] })
        void client.invalidateQueries({ queryKey: ['experiment', experimentId] })
      }),
    [client, experimentId],
  )
}
