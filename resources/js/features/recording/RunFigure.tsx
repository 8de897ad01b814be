import { useCallback } from 'react'
import type { Experiment, Run } from '../../lib/api/types'
import type { Ink } from '../../lib/figure/ink'
import { volume } from '../../lib/format'
import { Figure, type FigureCanvas } from '../figure'
import { runFigureOption } from './runFigureOption'

interface RunFigureProps {
  experiment: Experiment
  run: Run | null
  earlier: Run | null
  next: number | null
  onReady: (canvas: FigureCanvas | null) => void
}

/** pH against volume as it grows, with the earlier run faint behind it. */
export function RunFigure({ experiment, run, earlier, next, onReady }: RunFigureProps) {
  const option = useCallback(
    (ink: Ink) =>
      runFigureOption({ titrant: experiment.titrant, plan: run?.plan ?? experiment.plan, run, earlier, next }, ink),
    [experiment.titrant, experiment.plan, run, earlier, next],
  )
  const last = run?.readings.at(-1)
  const summary =
    last?.ph == null
      ? `pH against volume of ${experiment.titrant}. No reading in this run yet.`
      : `pH against volume of ${experiment.titrant}. ${run?.readings.length ?? 0} readings; the last at ${volume(last.volume)} mL, pH ${last.ph.shownValue}.`
  return <Figure option={option} summary={summary} onReady={onReady} />
}
