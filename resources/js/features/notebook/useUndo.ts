import { api } from '../../lib/api/client'
import { useChange } from './useChange'

/** The way back, and forth again. */
export function useUndo(experimentId: number) {
  const path = { experiment: experimentId }
  const undo = useChange(experimentId, (_, header) =>
    api.POST('/api/experiments/{experiment}/undo', { params: { path, header } }),
  )
  const redo = useChange(experimentId, (_, header) =>
    api.POST('/api/experiments/{experiment}/redo', { params: { path, header } }),
  )
  return { undo, redo }
}
