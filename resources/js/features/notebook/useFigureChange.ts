import { useQueryClient } from '@tanstack/react-query'
import type { Figure, Notebook } from '../../lib/api/types'
import { inTurn } from './turns'
import { notebookKey } from './useNotebook'
import { useFigures, type FigurePatch } from './useThings'

/** How a figure is drawn is changed: what is asked for quickly goes one after the other, each of the figure as it then stands. */
export function useFigureChange(notebook: Notebook, figure: Figure) {
  const client = useQueryClient()
  const { change } = useFigures(notebook.id)
  const newest = () =>
    client.getQueryData<Notebook>(notebookKey(notebook.id))?.figures.find(({ id }) => id === figure.id) ?? figure
  return {
    /** @throws Problem when it is refused; `error` tells of it, too */
    ask: (drawing: (now: Figure) => FigurePatch) =>
      inTurn(notebook.id, () => change.ask({ figure: figure.id, ...drawing(newest()) })),
    error: change.error,
    isPending: change.isPending,
  }
}
