import { createContext, useContext } from 'react'
import type { BoardChannel, LiveBench, Notebook, RunRows, RunSummary } from '../../lib/api/types'
import { latestRun } from '../../lib/notebook/runs'
import type { RunPoints } from '../../lib/timed/points'

/** All that the tiles of a board are made of. */
export interface BoardSource {
  notebook: Notebook
  /** The run on the board: the one that is open, else the last. */
  run: RunSummary | null
  rows: RunRows | null
  channels: readonly BoardChannel[]
  live: LiveBench | null
  /** s since the run began; null: now. */
  at: number | null
  /** The samples around the moment that is looked back to. */
  then: RunPoints | null
}

export const Source = createContext<BoardSource | null>(null)

export function useSource(): BoardSource {
  const source = useContext(Source)
  if (source === null) throw new Error('A tile stands outside of a board.')
  return source
}

/** The run on the board. */
export function runOnBoard(notebook: Notebook): RunSummary | null {
  return notebook.runs.find(({ state }) => state === 'open') ?? latestRun(notebook.runs)
}
