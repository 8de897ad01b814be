import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { dayAndTime } from '../../lib/ago'
import { answerOf, api } from '../../lib/api/client'
import type { KeptCalibration, Probe, ProbeRun } from '../../lib/api/types'
import { useNow } from '../../ui/useNow'

interface ProbeRunsProps {
  probe: Probe
  calibrations: readonly KeptCalibration[]
}

/** The runs it took part in, each with the calibration it used. */
export function ProbeRuns({ probe, calibrations }: ProbeRunsProps) {
  const now = useNow(60_000)
  const runs = useQuery({
    queryKey: ['probe-runs', probe.id],
    queryFn: () => answerOf(api.GET('/api/probes/{probe}/runs', { params: { path: { probe: probe.id } } })),
    staleTime: 0,
  })
  return (
    <section className="panel flex min-h-0 flex-col overflow-y-auto p-4" aria-labelledby="runs-title">
      <h2 id="runs-title" className="mb-2 font-semibold">
        Runs recorded with it
      </h2>
      {runs.data?.length === 0 ? (
        <p className="quiet">None yet. Each run is listed here with the calibration it used.</p>
      ) : null}
      <ul className="divide-base-300 divide-y text-sm">
        {(runs.data ?? []).map((run) => (
          <li key={run.runId} className="py-2">
            <Link
              to={`/experiments/${run.experimentId}/record?run=${run.runId}`}
              className="font-semibold hover:underline"
            >
              {run.experimentTitle}
            </Link>
            <span className="quiet block">
              run {run.runNumber} · {dayAndTime(new Date(run.startedAt), now)} ·{' '}
              {calibrationWords(run, calibrations, now)}
            </span>
            {run.trustSentence === null ? null : <span className="amber block">{run.trustSentence}</span>}
            {probe.kind === 'ph-electrode' && calibrations.length > 1 ? (
              <Link to={`/experiments/${run.experimentId}/reason?run=${run.runId}&compare=yes`} className="word-button">
                work out again …
              </Link>
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  )
}

function calibrationWords(run: ProbeRun, calibrations: readonly KeptCalibration[], now: Date): string {
  const used = calibrations.find(({ id }) => id === run.inForceId)
  if (used?.keptAt == null) return 'factory line'
  const again = run.inForceId === run.calibrationId ? 'by' : 'worked out again by'
  return `${again} the calibration of ${dayAndTime(new Date(used.keptAt), now)}`
}
