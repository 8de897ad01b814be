import { useQueryClient } from '@tanstack/react-query'
import { useMemo } from 'react'
import { Foresight } from './foresight'

export function useForesight<Input>(experimentId: number): Foresight<Input> {
  const client = useQueryClient()
  return useMemo(() => new Foresight<Input>(client, experimentId), [client, experimentId])
}
