import { useOutletContext } from 'react-router'
import type { Experiment } from '../../lib/api/types'

export interface ShellContext {
  experiment: Experiment
}

/** The experiment whose stage this is. */
export function useShell(): ShellContext {
  return useOutletContext<ShellContext>()
}
