import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { liveChannel } from '../../lib/live/liveChannel'

/** Asks again when another screen has changed something of this experiment. */
export function useExperimentNews(experimentId: number): void {
  const client = useQueryClient()
  useEffect(
    () =>
      liveChannel<{ experimentId: number }>(`experiment-${experimentId}`).subscribe(() => {
        void client.invalidateQueries({ queryKey: ['experiment', experimentId] })
        void client.invalidateQueries({ queryKey: ['run'] })
        void client.invalidateQueries({ queryKey: ['working', experimentId] })
      }),
    [client, experimentId],
  )
}
