import { useQueries } from '@tanstack/react-query'
import { useCallback, useMemo } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Figure, Notebook, RunRows, RunSummary, WorkedLine } from '../../lib/api/types'
import { shownAlong } from '../../lib/figure/axisUnits'
import { beyondAxes, type FigureInput } from '../../lib/figure/drawn'
import type { Selection } from '../../lib/figure/selection'
import { useLookedAt } from '../figure'
import { useRunsTable } from '../notebook'
import { captionOf } from './caption'
import { figureInput } from './figureInput'
import { runsColumns } from '../../lib/notebook/runsTable'
import { isOfRuns, runsCaption, runsInput } from './runsInput'
import { useNear } from './useNear'

interface DrawingSource {
  notebook: Notebook
  figure: Figure | undefined
  worked: readonly WorkedLine[]
  run: RunSummary
  rows: RunRows
  /** Further runs that are drawn with it. */
  shown: readonly number[]
  selection: Selection
}

/** What a figure of the notebook draws: rows of runs, or the runs themselves, where it is looked at closely in more detail. */
export function useDrawing({ notebook, figure, worked, run, rows, shown, selection }: DrawingSource) {
  const others = useOthers(
    notebook,
    shown.filter((id) => id !== run.id),
  )
  // What is selected is kept in the units of the columns, whatever unit an axis has.
  const along = useMemo(() => shownAlong(figure?.axis, figure?.x ?? ''), [figure])
  const [seen, watch] = useLookedAt()
  const looked = useMemo(
    () => (seen.x === null ? null : { min: along.back(seen.x.min), max: along.back(seen.x.max) }),
    [seen, along],
  )
  const near = useNear(notebook, figure, rows, others, looked)
  const isRuns = isOfRuns(notebook, figure)
  const table = useRunsTable(notebook.id, notebook.revision, isRuns).data
  const made = useCallback(
    (of: typeof near, picked?: Selection): FigureInput | null => {
      if (!isRuns || figure === undefined) {
        const source = { notebook, figure, worked, run, ...of }
        return figureInput(picked === undefined ? source : { ...source, selection: picked })
      }
      return table === undefined ? null : runsInput(notebook, figure, worked, table, picked)
    },
    [isRuns, table, notebook, figure, worked, run],
  )
  const input = useMemo(() => made(near, selection), [made, near, selection])
  const beyond = useMemo(() => (input === null ? 0 : beyondAxes(input)), [input])
  return {
    input,
    along,
    watch,
    isRuns,
    /** Of the run in hand, with those of the stretch that is looked at. */
    rows: near.rows,
    /** The notebook with the columns the figure can draw. */
    drawnFrom: useMemo(
      () => (isRuns && table !== undefined ? { ...notebook, columns: runsColumns(table) } : notebook),
      [isRuns, table, notebook],
    ),
    caption:
      isRuns && figure !== undefined && table !== undefined
        ? runsCaption(notebook, figure, table)
        : captionOf(notebook, figure, [{ run, rows }, ...others], beyond),
    /** All of it, with nothing picked: for a picture. */
    plain: () => made({ rows, others }),
  }
}

/** The rows of further runs that are drawn with the one in hand. */
function useOthers(notebook: Notebook, ids: readonly number[]): { run: RunSummary; rows: RunRows }[] {
  const fetched = useQueries({
    queries: ids.map((run) => ({
      queryKey: ['rows', run],
      queryFn: () => answerOf(api.GET('/api/runs/{run}', { params: { path: { run } } })),
    })),
    combine: (results) => results.map(({ data }) => data),
  })
  return useMemo(
    () =>
      fetched.flatMap((rows) => {
        const run = notebook.runs.find(({ id }) => id === rows?.id)
        return rows === undefined || run === undefined ? [] : [{ run, rows }]
      }),
    [fetched, notebook.runs],
  )
}
