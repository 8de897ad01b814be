import { useQueryClient } from '@tanstack/react-query'
import { Link } from 'react-router'
import { ago } from '../../lib/ago'
import type { Bench } from '../../lib/api/types'
import { Note } from '../../ui/Note'
import { ProblemNote } from '../../ui/ProblemNote'
import { useNow } from '../../ui/useNow'
import { useRunActions } from '../notebook'

/** A run that is open though nobody has had it on a screen for an hour or more: is it still wanted? */
export function ForgottenRun({ bench }: { bench: Bench }) {
  const { recording } = bench
  return recording?.unwatchedSince == null ? null : (
    <Question recording={recording} since={new Date(recording.unwatchedSince)} benchName={bench.name} />
  )
}

interface QuestionProps {
  recording: NonNullable<Bench['recording']>
  since: Date
  benchName: string
}

function Question({ recording, since, benchName }: QuestionProps) {
  const { finish } = useRunActions(recording.runId, recording.experimentId)
  const client = useQueryClient()
  const now = useNow(30_000)
  return (
    <div className="p-3">
      <Note tone="amber" role="status">
        <strong>Is this run still going on?</strong> Run {recording.runNumber} of “{recording.title}” records at bench{' '}
        {benchName}; somebody last looked at it {ago(since, now)}.{' '}
        <button
          type="button"
          className="word-button"
          disabled={finish.isPending}
          onClick={() => {
            finish.act(undefined, () => {
              void client.invalidateQueries({ queryKey: ['benches'] })
              void client.invalidateQueries({ queryKey: ['bench'] })
            })
          }}
        >
          Finish it
        </button>{' '}
        <Link to={`/experiments/${recording.experimentId}/record`} className="word-button">
          Look at it
        </Link>
      </Note>
      <ProblemNote problem={finish.error} />
    </div>
  )
}
