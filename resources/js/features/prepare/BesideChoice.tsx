import type { Bench, Notebook } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { useExperimentChange } from '../notebook'
import { TrustText } from '../probes/TrustText'
import { useBench } from '../probes/useBench'
import { useBenches } from '../probes/useBenches'

/** A second bench that feeds the runs of a notebook, and what it has to offer. */
export function BesideChoice({ notebook, bench }: { notebook: Notebook; bench: Bench }) {
  const benches = useBenches()
  const change = useExperimentChange(notebook.id)
  const others = (benches.data ?? []).filter(({ id, isPutAway }) => id !== bench.id && !isPutAway)
  if (others.length === 0 && notebook.beside === null) return null
  return (
    <div className="text-sm">
      <label className="flex flex-wrap items-center gap-x-2 gap-y-1">
        <span>
          Bench <strong>{bench.name}</strong>, and beside it
        </span>
        <select
          className="select select-sm bg-base-100 w-28"
          aria-label="Bench recorded beside it"
          value={notebook.beside?.id ?? ''}
          disabled={change.isPending}
          onChange={(event) => {
            change.act({ besideId: event.target.value === '' ? null : Number(event.target.value) })
          }}
        >
          <option value="">no other</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {notebook.beside === null ? null : <BesideProbes benchId={notebook.beside.id} />}
      <ProblemNote problem={change.error} />
    </div>
  )
}

function BesideProbes({ benchId }: { benchId: number }) {
  const bench = useBench(benchId)
  return (
    <ul className="quiet mt-1">
      {(bench.data?.probes ?? []).map((probe) => (
        <li key={probe.id}>
          {probe.title}: {probe.isPresent ? <TrustText probe={probe} /> : 'unplugged'}
        </li>
      ))}
    </ul>
  )
}
