import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { PageProblem } from '../../ui/PageProblem'
import type { Probe } from '../../lib/api/types'
import { Note } from '../../ui/Note'
import { Waiting } from '../../ui/Waiting'
import { CalibrateButton } from '../calibration/CalibrateButton'
import { KeyFigureHistory } from '../calibration/KeyFigureHistory'
import { useCalibrationHistory } from '../calibration/useCalibration'
import { SimulatedBench } from '../simulation/SimulatedBench'
import { AnotherLineDialog } from './AnotherLineDialog'
import { CalibrationTable } from './CalibrationTable'
import { ProbeFacts } from './ProbeFacts'
import { ProbeRuns } from './ProbeRuns'
import { PutAway } from './PutAway'
import { useBench } from '../probes/useBench'
import { liveProbe, useLiveBench } from '../probes/useLiveBench'
import { useProbe } from '../probes/useProbe'
import { ZeroButton } from '../probes/ZeroButton'
import { ZeroList } from './ZeroList'

/** The record of one probe: what it is, its calibrations over time, the runs that used them. */
export function ProbePage() {
  const probe = useProbe(Number(useParams().probeId))
  if (probe.isError) {
    return <PageProblem problem={probe.error} back={{ to: '/benches', words: 'Back to the benches' }} />
  }
  if (probe.data === undefined) return <Waiting what="the probe" />
  return <ProbeRecord key={probe.data.id} probe={probe.data} />
}

function ProbeRecord({ probe }: { probe: Probe }) {
  const live = useLiveBench(probe.bench.id)
  const bench = useBench(probe.bench.id)
  const history = useCalibrationHistory(probe.id)
  const navigate = useNavigate()
  const [isSetting, setIsSetting] = useState(false)
  const { calibrations = [], trend = null } = history.data ?? {}
  const read = calibrations.filter(({ origin }) => origin === 'read')
  return (
    <>
      <title>{`${probe.title} ${probe.serial} · Welkion`}</title>
      <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-4 lg:grid lg:grid-cols-[270px_1fr_250px]">
        <section className="panel flex flex-col gap-4 overflow-y-auto p-4" aria-labelledby="probe-title">
          <ProbeFacts probe={probe} live={liveProbe(live, probe.id)} />
          <div className="flex flex-col items-start gap-2">
            <CalibrateButton
              probe={probe}
              others={bench.data?.probes ?? []}
              words="Calibrate"
              className="btn btn-primary w-full"
              onOpened={(id) => {
                void navigate(`/probes/${probe.id}/calibrate?calibration=${id}`)
              }}
            />
            {probe.canBeZeroed ? <ZeroButton probe={probe} /> : null}
            {probe.recipes.length === 0 ? (
              <p className="quiet">It needs no calibration: only its rate is read.</p>
            ) : (
              <button
                type="button"
                className="word-button text-left whitespace-normal!"
                onClick={() => {
                  setIsSetting(true)
                }}
              >
                Another probe’s line, or the factory’s …
              </button>
            )}
          </div>
          {probe.canBeZeroed ? <ZeroList probe={probe} /> : null}
          <PutAway probe={probe} />
        </section>
        <section className="panel flex min-h-0 min-w-0 flex-col p-4" aria-labelledby="calibrations-title">
          <h2 id="calibrations-title" className="font-semibold">
            Its calibrations over time
          </h2>
          {trend === null ? null : (
            <div className="mt-2">
              <Note tone={trend.isReplacedSoon ? 'amber' : 'plain'}>
                {trend.isReplacedSoon ? <strong>Clean or replace soon. </strong> : null}
                {trend.sentence}
              </Note>
            </div>
          )}
          {read.length > 1 ? (
            <div className="h-56 shrink-0">
              <KeyFigureHistory calibrations={calibrations} />
            </div>
          ) : null}
          <CalibrationTable probe={probe} calibrations={calibrations} />
        </section>
        <ProbeRuns probe={probe} calibrations={calibrations} />
      </main>
      {bench.data === undefined ? null : <SimulatedBench bench={bench.data} world={live?.world ?? null} />}
      {isSetting ? (
        <AnotherLineDialog
          probe={probe}
          onClose={() => {
            setIsSetting(false)
          }}
        />
      ) : null}
    </>
  )
}
