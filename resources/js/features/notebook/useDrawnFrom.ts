import { useMemo } from 'react'
import type { Notebook } from '../../lib/api/types'
import { runsColumns } from '../../lib/notebook/runsTable'
import { useRunsTable } from './useNotebook'

/** The columns a symbol is one of: those of the rows, or those of the runs table. */
export function useDrawnFrom(notebook: Notebook, symbol: string): { isOfRuns: boolean; columns: Notebook['columns'] } {
  const isOfRuns = !notebook.columns.some((one) => one.symbol === symbol)
  const table = useRunsTable(notebook.id, notebook.revision, isOfRuns).data
  return useMemo(
    () => ({ isOfRuns, columns: isOfRuns ? (table === undefined ? [] : runsColumns(table)) : notebook.columns }),
    [isOfRuns, table, notebook.columns],
  )
}
