import { MutationCache, QueryCache, QueryClient } from '@tanstack/react-query'
import { Problem, sentenceOf } from './api/problem'
import { saveStore } from './saveState'

const PASSING_RETRIES = 8

const ASKED_AGAIN_EACH_MS = 3000

function retryPassing(failureCount: number, error: Error): boolean {
  return error instanceof Problem && error.isPassing && failureCount < PASSING_RETRIES
}

function retryDelayMs(attempt: number): number {
  return Math.min(250 * 2 ** attempt, 3000)
}

export function createQueryClient(): QueryClient {
  const client: QueryClient = new QueryClient({
    queryCache: new QueryCache({ onError: signOutIfExpired }),
    mutationCache: new MutationCache({
      onMutate: () => {
        saveStore.begin()
      },
      onSuccess: () => {
        saveStore.succeed()
      },
      onError: (error) => {
        // A refusal by a rule of the job is said where it belongs; nothing was lost by it.
        if (error instanceof Problem && error.isRefusal) saveStore.refuse()
        else saveStore.fail(error instanceof Problem ? error.place : '', sentenceOf(error))
        signOutIfExpired(error)
      },
    }),
    defaultOptions: {
      queries: {
        retry: retryPassing,
        retryDelay: retryDelayMs,
        staleTime: 5_000,
        networkMode: 'always',
        // What was only away for a while comes back on its own, without anyone pressing a key.
        refetchInterval: ({ state: { error } }) =>
          error instanceof Problem && error.isPassing ? ASKED_AGAIN_EACH_MS : false,
      },
      // Safe to repeat: a reading carries a key that stores it once, and the rest sets a state. But not for ever: a
      // reading must not be taken minutes later, when something else is in the beaker.
      mutations: { retry: retryPassing, retryDelay: retryDelayMs, networkMode: 'always' },
    },
  })

  client.getMutationCache().subscribe((event) => {
    if (event.type === 'updated' && event.action.type === 'failed') saveStore.wait()
  })

  function signOutIfExpired(error: Error): void {
    if (error instanceof Problem && (error.status === 401 || error.status === 419)) {
      void client.invalidateQueries({ queryKey: ['session'] })
    }
  }

  return client
}
