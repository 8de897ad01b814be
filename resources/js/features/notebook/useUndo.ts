import { api } from '../../lib/api/client'
import { useChange } from './useChange'

/** A way back must not overtake a change that is shown before it is made. */
export const IN_TURN = { inTurn: 'set aside and undo' }

/** The way back, and forth again. */
export function useUndo(experimentId: number) {
  const path = { experiment: experimentId }
  const undo = useChange(
    experimentId,
    (_, header) => api.POST('/api/experiments/{experiment}/undo', { params: { path, header } }),
    IN_TURN,
  )
  const redo = useChange(
    experimentId,
    (_, header) => api.POST('/api/experiments/{experiment}/redo', { params: { path, header } }),
    IN_TURN,
  )
  return { undo, redo }
}
