import { useMemo, useState } from 'react'
import { benchChannel } from '../../lib/live/channels'
import type { Bench } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { Note } from '../../ui/Note'
import { ProblemNote } from '../../ui/ProblemNote'
import { Waiting } from '../../ui/Waiting'
import { useBenches } from '../probes/useBenches'
import { SharedBenchChannel } from '../probes/useLiveBench'
import { AddBenchDialog } from './AddBenchDialog'
import { BenchPanel } from './BenchPanel'
import { useBenchesPutAway, useOwnBenches } from './useOwnBenches'

/** Every probe of every bench, live: which can be trusted, which lesson uses which. */
export function BenchesPage() {
  const benches = useBenches()
  const [isAdding, setIsAdding] = useState(false)
  const ids = (benches.data ?? []).map(({ id }) => id).join(',')
  const channel = useMemo(() => (ids === '' ? null : benchChannel(ids.split(',').map(Number))), [ids])
  return (
    <main className="mx-auto flex min-h-0 w-full max-w-[84rem] flex-1 flex-col gap-3 px-5 py-4 lg:overflow-y-auto">
      <title>Benches · Welkion</title>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="text-2xl font-semibold">Benches</h1>
        <Readiness benches={benches.data ?? []} />
        <span className="flex-1" />
        <button
          type="button"
          className="btn btn-sm btn-outline"
          onClick={() => {
            setIsAdding(true)
          }}
        >
          Add a bench
        </button>
      </div>
      <ProblemNote problem={benches.error} />
      {benches.isPending ? <Waiting what="the benches" /> : null}
      {benches.data?.length === 0 ? (
        <Note>A bench is one place with its connected probes. Add one by its address and port.</Note>
      ) : null}
      <SharedBenchChannel value={channel}>
        <div className="gap-4 lg:columns-2">
          {channel === null ? null : (benches.data ?? []).map((bench) => <BenchPanel key={bench.id} bench={bench} />)}
        </div>
      </SharedBenchChannel>
      <PutAway />
      {isAdding ? (
        <AddBenchDialog
          onClose={() => {
            setIsAdding(false)
          }}
        />
      ) : null}
    </main>
  )
}

/** The one sentence a teacher wants before the lesson. */
function Readiness({ benches }: { benches: readonly Bench[] }) {
  const probes = benches.flatMap((bench) => bench.probes)
  if (probes.length === 0) return null
  const doubtful = probes.filter((probe) => !probe.isReady)
  return (
    <p className="quiet">
      {doubtful.length === 0 ? (
        `All ${probes.length} probes are ready.`
      ) : (
        <>
          {countOf(probes.length - doubtful.length, 'probe')} ready ·{' '}
          <span className="amber font-semibold">{countOf(doubtful.length, 'probe')} to look at</span>
        </>
      )}
    </p>
  )
}

/** Benches that are gone, and the way back. */
function PutAway() {
  const away = useBenchesPutAway()
  const { bringBack } = useOwnBenches()
  if ((away.data ?? []).length === 0) return null
  return (
    <p className="quiet flex flex-wrap items-baseline gap-x-3 text-sm">
      Put away:
      {(away.data ?? []).map((bench) => (
        <button
          key={bench.id}
          type="button"
          className="word-button text-sm"
          disabled={bringBack.isPending}
          onClick={() => {
            bringBack.mutate(bench.id)
          }}
        >
          bring {bench.name} back
        </button>
      ))}
    </p>
  )
}
