import { sentenceOf } from '../../lib/api/problem'
import type { Notebook } from '../../lib/api/types'
import { Note } from '../../ui/Note'
import { Waiting } from '../../ui/Waiting'
import { useExperimentChange } from '../notebook'
import { useBenches } from '../probes/useBenches'
import { TypeInstead } from '../runs'

/** An experiment needs no bench until something is measured; here one is chosen. */
export function BenchChoice({ notebook }: { notebook: Notebook }) {
  const benches = useBenches()
  const change = useExperimentChange(notebook.id)
  const needed = notebook.plan.roles.filter(({ isNeeded }) => isNeeded)
  return (
    <main className="mx-auto flex w-full max-w-lg flex-1 flex-col justify-center gap-4 p-8">
      <h2 className="text-xl font-semibold">Where is it recorded?</h2>
      <p className="quiet">
        {needed.length === 0
          ? 'Choose the bench whose probes this experiment uses.'
          : `It needs: ${needed.map(({ name }) => name).join(', ')}.`}
      </p>
      {benches.isPending ? <Waiting what="the benches" /> : null}
      <ul className="panel divide-base-300 divide-y">
        {(benches.data ?? []).map((bench) => (
          <li key={bench.id}>
            <button
              type="button"
              className="hover:bg-base-200 w-full cursor-pointer px-4 py-3 text-left"
              disabled={change.isPending}
              onClick={() => {
                change.act({ benchId: bench.id })
              }}
            >
              <strong>{bench.name}</strong>
              <span className="quiet block text-sm">{bench.probes.map(({ title }) => title).join(', ')}</span>
            </button>
          </li>
        ))}
      </ul>
      <p>
        No probe at all?{' '}
        <TypeInstead notebook={notebook} className="word-button">
          Type or paste numbers
        </TypeInstead>
      </p>
      {change.error === null ? null : (
        <Note tone="red" role="alert">
          {sentenceOf(change.error)}
        </Note>
      )}
    </main>
  )
}
