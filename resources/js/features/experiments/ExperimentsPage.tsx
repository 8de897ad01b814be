import { useQuery } from '@tanstack/react-query'
import { Plus } from 'lucide-react'
import { useDeferredValue, useId, useState } from 'react'
import { Link } from 'react-router'
import { ago } from '../../lib/ago'
import { answerOf, api } from '../../lib/api/client'
import type { ExperimentSummary, Stages } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { Note } from '../../ui/Note'
import { ProblemNote } from '../../ui/ProblemNote'
import { useNow } from '../../ui/useNow'
import { Waiting } from '../../ui/Waiting'
import { ExperimentMenu } from './ExperimentMenu'

const ORDER = ['prepare', 'record', 'reason', 'report'] as const
const NEXT_WORDS = {
  prepare: 'Get the probes ready',
  record: 'Record the first run',
  reason: 'Work out the result',
  report: 'Write the sheet',
} as const

/** The first stage that is not done yet; a finished experiment opens on its sheet. */
function nextStage(stages: Stages): keyof Stages {
  return ORDER.find((stage) => !stages[stage]) ?? 'report'
}

export function ExperimentsPage() {
  const [typed, setTyped] = useState('')
  const search = useDeferredValue(typed.trim())
  const searchId = useId()
  const experiments = useQuery({
    queryKey: ['experiments', search],
    queryFn: () => answerOf(api.GET('/api/experiments', { params: { query: search === '' ? {} : { search } } })),
    placeholderData: (before) => before,
    staleTime: 0,
  })

  return (
    <>
      <title>Experiments · Welkion</title>
      <main className="mx-auto min-h-0 w-full max-w-5xl flex-1 p-5 lg:overflow-y-auto">
        <div className="mt-4 mb-5 flex flex-wrap items-center justify-between gap-3">
          <h1 className="flex-1 text-2xl font-semibold">Experiments</h1>
          <label htmlFor={searchId} className="sr-only">
            Search experiments
          </label>
          <input
            id={searchId}
            type="search"
            className="input bg-base-100 w-60"
            placeholder="search in titles"
            value={typed}
            maxLength={120}
            onChange={(event) => {
              setTyped(event.target.value)
            }}
          />
          <Link to="/begin" className="btn btn-primary">
            <Plus size={18} aria-hidden="true" />
            New experiment
          </Link>
        </div>
        <ProblemNote problem={experiments.error} />
        {experiments.isPending ? <Waiting what="your experiments" /> : null}
        {experiments.data?.length === 0 ? (
          <Note>
            {search === ''
              ? 'An experiment holds its probes, its runs and what you reason from them. Begin with “New experiment”.'
              : `No experiment holds “${search}” in its title.`}
          </Note>
        ) : null}
        <ul className="panel divide-base-300 divide-y">
          {(experiments.data ?? []).map((experiment) => (
            <ExperimentRow key={experiment.id} experiment={experiment} />
          ))}
        </ul>
      </main>
    </>
  )
}

function ExperimentRow({ experiment }: { experiment: ExperimentSummary }) {
  const now = useNow(30_000)
  const next = nextStage(experiment.stages)
  const runs = countOf(experiment.runCount, 'run')
  return (
    <li className="hover:bg-base-200 flex items-center pr-3">
      <Link
        to={`/experiments/${experiment.id}/${next}`}
        className="grid min-w-0 flex-1 items-center gap-x-6 gap-y-1 px-5 py-4 md:grid-cols-[1fr_11rem_12rem]"
      >
        <span>
          <span className="block text-lg font-semibold">{experiment.title}</span>
          <span className="quiet text-sm">
            {experiment.protocol}
            {experiment.bench === null ? '' : ` · bench ${experiment.bench.name}`} ·{' '}
            {experiment.isRecording ? <strong className="amber">recording now</strong> : runs} · changed{' '}
            {ago(new Date(experiment.updatedAt), now)}
          </span>
        </span>
        <StageDots stages={experiment.stages} />
        <span className="text-primary font-semibold md:text-right">{NEXT_WORDS[next]} →</span>
      </Link>
      <ExperimentMenu experiment={experiment} />
    </li>
  )
}

function StageDots({ stages }: { stages: Stages }) {
  const done = ORDER.filter((stage) => stages[stage])
  return (
    <span className="flex items-center gap-2 text-sm">
      <span className="flex gap-1" aria-hidden="true">
        {ORDER.map((stage) => (
          <span
            key={stage}
            className={`inline-block h-2 w-5 rounded-full ${stages[stage] ? 'bg-primary' : 'bg-base-300'}`}
          />
        ))}
      </span>
      <span className="quiet">{done.length} of 4 done</span>
    </span>
  )
}
