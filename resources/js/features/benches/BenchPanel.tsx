import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { Bench, LiveBench, Probe } from '../../lib/api/types'
import { Note } from '../../ui/Note'
import { CalibrateButton } from '../calibration/CalibrateButton'
import { BenchNotes, isToldWhy } from '../probes/BenchNotes'
import { ProbeValue } from '../probes/ProbeCard'
import { StateWord } from '../probes/StateWord'
import { TrustText } from '../probes/TrustText'
import { liveProbe, useLiveBench } from '../probes/useLiveBench'
import { ZeroButton } from '../probes/ZeroButton'
import { BenchNameDialog } from './BenchName'
import { ForgottenRun } from './ForgottenRun'
import { SteadyDialog } from './SteadyDialog'

/** One bench with all its probes. */
export function BenchPanel({ bench }: { bench: Bench }) {
  const live = useLiveBench(bench.id)
  const [isTuning, setIsTuning] = useState(false)
  const [isNaming, setIsNaming] = useState(false)
  return (
    <section className="panel mb-4 break-inside-avoid" aria-labelledby={`bench-${bench.id}`}>
      <header className="border-base-300 flex flex-wrap items-baseline gap-x-3 border-b px-4 py-2">
        <h2 id={`bench-${bench.id}`} className="text-lg font-semibold">
          {bench.name}
        </h2>
        <span className="quiet text-sm">{bench.isSimulated ? 'simulated' : ''}</span>
        <Use bench={bench} />
        <span className="flex-1" />
        <button
          type="button"
          className="word-button font-normal! text-sm"
          aria-label={`Name of bench ${bench.name}, or put it away`}
          onClick={() => {
            setIsNaming(true)
          }}
        >
          name …
        </button>
        <button
          type="button"
          className="word-button font-normal! text-sm"
          aria-label={`When is a probe of bench ${bench.name} steady?`}
          onClick={() => {
            setIsTuning(true)
          }}
        >
          when steady …
        </button>
      </header>
      {live !== null && live.notes.length > 0 ? (
        <div className="p-3">
          <BenchNotes benchName={bench.name} live={live} />
        </div>
      ) : null}
      <ForgottenRun bench={bench} />
      {live !== null && !live.isConnected && !isToldWhy(live) ? (
        <div className="p-3">
          <Note tone="amber" role="alert">
            <strong>Bench {bench.name} is not connected.</strong> Check that it is switched on; it comes back by itself.
          </Note>
        </div>
      ) : null}
      <ul className="divide-base-300 divide-y">
        {bench.probes.map((probe) => (
          <ProbeRow key={probe.id} probe={probe} others={bench.probes} live={live} />
        ))}
      </ul>
      {bench.putAway.length === 0 ? null : (
        <p className="border-base-300 quiet flex flex-wrap gap-x-2 border-t px-4 py-2 text-sm">
          Put away:
          {bench.putAway.map((probe) => (
            <Link key={probe.id} to={`/probes/${probe.id}`} className="word-button text-sm">
              {probe.title} {probe.serial}
            </Link>
          ))}
        </p>
      )}
      {bench.probes.length === 0 ? <p className="quiet p-4">Plug a probe in, and it appears here by itself.</p> : null}
      {isNaming ? (
        <BenchNameDialog
          bench={bench}
          onClose={() => {
            setIsNaming(false)
          }}
        />
      ) : null}
      {isTuning ? (
        <SteadyDialog
          bench={bench}
          onClose={() => {
            setIsTuning(false)
          }}
        />
      ) : null}
    </section>
  )
}

/** Which lesson it is in use for. */
function Use({ bench }: { bench: Bench }) {
  if (bench.recording !== null) {
    return (
      <Link to={`/experiments/${bench.recording.experimentId}/record`} className="word-button min-w-0 truncate text-sm">
        recording run {bench.recording.runNumber} of “{bench.recording.title}”
      </Link>
    )
  }
  const [latest] = bench.experiments
  return latest === undefined ? (
    <span className="quiet text-sm">free</span>
  ) : (
    <span className="quiet min-w-0 truncate text-sm">
      free, last in{' '}
      <Link to={`/experiments/${latest.id}/prepare`} className="hover:underline">
        “{latest.title}”
      </Link>
    </span>
  )
}

interface ProbeRowProps {
  probe: Probe
  others: readonly Probe[]
  live: LiveBench | null
}

function ProbeRow({ probe, others, live }: ProbeRowProps) {
  const navigate = useNavigate()
  const now = live?.isConnected === true ? liveProbe(live, probe.id) : null
  const trusted = probe.isReady
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-3 gap-y-1 px-4 py-1.5 sm:grid-cols-[1fr_7.6rem_11.5rem]">
      <span className="min-w-0">
        <Link to={`/probes/${probe.id}`} className="font-semibold hover:underline">
          {probe.title}
        </Link>{' '}
        <span className="quiet text-sm">{probe.serial}</span>
        <span className="block text-sm">
          <span
            aria-hidden="true"
            className={`mr-1.5 inline-block size-2 rounded-full ${trusted ? 'bg-success' : 'bg-warning'}`}
          />
          <TrustText probe={probe} />
          {probe.movedFrom === null ? null : <span className="quiet"> · from bench {probe.movedFrom}</span>}
        </span>
      </span>
      <span className="text-right leading-tight">
        <span className="num text-xl font-bold whitespace-nowrap [&_.unit]:ml-1 [&_.unit]:font-sans [&_.unit]:text-sm [&_.unit]:font-normal [&_.unit]:opacity-70">
          <ProbeValue probe={probe} live={now} shows="value" />
        </span>
        <span className="block text-sm">
          <StateWord live={now} isAlive={probe.isAlive} />
        </span>
      </span>
      <span className="col-span-2 flex flex-wrap items-center justify-end gap-x-3 gap-y-1 sm:col-span-1">
        {probe.canBeZeroed ? <ZeroButton probe={probe} /> : null}
        <CalibrateButton
          probe={probe}
          others={others}
          words="Calibrate"
          className={`btn btn-sm ${trusted ? 'btn-outline' : 'btn-primary'}`}
          onOpened={(id) => {
            void navigate(`/probes/${probe.id}/calibrate?calibration=${id}`)
          }}
        />
      </span>
    </li>
  )
}
