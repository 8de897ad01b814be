import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answerOf } from '../../lib/api/client'
import type { Change, Notebook } from '../../lib/api/types'
import { screenId } from '../../lib/notebook/screenId'
import { inOneFrame } from '../../lib/oneFrame'
import { uuid } from '../../lib/uuid'
import { takeIn } from './takeIn'
import { useForesight } from './useForesight'
import { notebookKey } from './useNotebook'

/** What goes with every request that changes a notebook. */
export interface Sending {
  'Request-Key': string
  Screen: string
  'Seen-Revision'?: number
  Foresee?: 'yes'
}

type Answer = Parameters<typeof answerOf<Change>>[0]

/**
 * A change of a notebook. Each act has a key of its own, so that sending it again does nothing twice, and says what was on
 * the screen, so that nothing somebody else did meanwhile is written over.
 */
export function useChange<Input = void>(
  experimentId: number,
  send: (input: Input, sending: Sending) => Answer,
  { inTurn }: { inTurn?: string } = {},
) {
  const client = useQueryClient()
  const foresight = useForesight<Input>(experimentId)
  const mutation = useMutation({
    ...(inTurn === undefined ? {} : { scope: { id: `${inTurn} ${experimentId}` } }),
    mutationFn: ({ input, sending }: { input: Input; sending: Sending }) => answerOf(send(input, sending)),
    onSuccess: (change) => {
      foresight.takeBack()
      takeIn(client, experimentId, change)
    },
    onError: foresight.takeBack,
  })

  function sending(): Sending {
    const seen = client.getQueryData<Notebook>(notebookKey(experimentId))?.revision
    return {
      'Request-Key': uuid(),
      Screen: screenId,
      ...(seen === undefined ? {} : { 'Seen-Revision': seen }),
    }
  }

  function request(input: Input) {
    const made = { input, sending: sending() }
    foresight.show(input)
    return made
  }

  return {
    act: (input: Input, then?: (change: Change) => void) => {
      inOneFrame(() => {
        mutation.mutate(request(input), then === undefined ? {} : { onSuccess: then })
      })
    },
    ask: (input: Input): Promise<Change> => mutation.mutateAsync(request(input)),
    /** Asks what it would make while somebody is still at it; `become` makes of that what is asked for in the end, or null. */
    foresee: (input: Input, become: (change: Change, asked: Input) => Change | null) => {
      foresight.ask(answerOf(send(input, { ...sending(), Foresee: 'yes' })), become)
    },
    last: mutation.variables?.input,
    error: mutation.error,
    isPending: mutation.isPending,
    reset: mutation.reset,
  }
}
