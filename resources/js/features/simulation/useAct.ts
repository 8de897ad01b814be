import { useMutation } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import type { Act } from '../../lib/api/types'

/** Does at the simulated bench what hands would do. */
export function useAct(benchId: number) {
  return useMutation({
    mutationFn: (body: Act) =>
      answerOf(api.POST('/api/benches/{bench}/acts', { params: { path: { bench: benchId } }, body })),
    retry: false,
  })
}
