import { useQuery } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import { countOf } from '../../lib/format'
import { unitBehind } from '../../lib/notebook/labels'
import { ProblemNote } from '../../ui/ProblemNote'
import { Waiting } from '../../ui/Waiting'

/** The notebook as it was after a change: what was typed, and what came of it. */
export function AsItWas({ experimentId, revision }: { experimentId: number; revision: number }) {
  const then = useQuery({
    queryKey: ['history', experimentId, revision],
    queryFn: () =>
      answerOf(
        api.GET('/api/experiments/{experiment}/history/{revision}', {
          params: { path: { experiment: experimentId, revision } },
        }),
      ),
    staleTime: 0,
  })
  if (then.data === undefined)
    return then.isError ? <ProblemNote problem={then.error} /> : <Waiting what="how it was" />
  const { notebook, worked } = then.data
  return (
    <section aria-label="As it was then" className="note max-h-96 overflow-y-auto" tabIndex={0}>
      <h3 className="font-semibold">{notebook.title}</h3>
      <p className="quiet text-sm">
        {countOf(notebook.runs.length, 'run')}, {countOf(notebook.lines.length, 'line')} of working
      </p>
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 text-sm">
        {notebook.entries.map((entry) => (
          <div key={entry.id} className="contents">
            <dt>{entry.shownName}</dt>
            <dd className="num text-right">
              {entry.isWords ? entry.text : entry.value === null ? '—' : `${entry.value} ${unitBehind(entry.unit)}`}
            </dd>
          </div>
        ))}
        {notebook.lines.map((line) => {
          const results = worked.filter(({ symbol }) => symbol === line.symbol).map(({ result }) => result)
          return (
            <div key={line.id} className="contents">
              <dt className="font-semibold">{line.shownTitle}</dt>
              <dd className="num text-right">
                {results.length === 0
                  ? '—'
                  : results
                      .map((result) =>
                        result === null ? '—' : `${result.shownValue} ${unitBehind(result.unit, line.symbol)}`.trim(),
                      )
                      .join(', ')}
              </dd>
            </div>
          )
        })}
      </dl>
    </section>
  )
}
