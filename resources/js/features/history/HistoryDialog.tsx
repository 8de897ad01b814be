import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { dayAndTime } from '../../lib/ago'
import { answerOf, api } from '../../lib/api/client'
import { Dialog } from '../../ui/Dialog'
import { DialogDone } from '../../ui/DialogActions'
import { ProblemNote } from '../../ui/ProblemNote'
import { useNow } from '../../ui/useNow'
import { Waiting } from '../../ui/Waiting'
import { useChange } from '../notebook'
import { AsItWas } from './AsItWas'

interface HistoryDialogProps {
  experimentId: number
  onClose: () => void
}

/** What was done, by whom and when; each can be looked at and gone back to. */
export function HistoryDialog({ experimentId, onClose }: HistoryDialogProps) {
  const path = { experiment: experimentId }
  const history = useQuery({
    queryKey: ['history', experimentId],
    queryFn: () => answerOf(api.GET('/api/experiments/{experiment}/history', { params: { path } })),
    staleTime: 0,
  })
  const [looked, setLooked] = useState<number | null>(null)
  const goBack = useChange<number>(experimentId, (revision, header) =>
    api.POST('/api/experiments/{experiment}/history/{revision}/go-back', {
      params: { path: { ...path, revision }, header },
    }),
  )
  const now = useNow(30_000)

  return (
    <Dialog title="History" isWide onClose={onClose}>
      {history.data === undefined && !history.isError ? <Waiting what="the history" /> : null}
      <ProblemNote problem={history.error ?? goBack.error} />
      {history.data?.length === 0 ? (
        <p className="quiet">Nothing was changed yet; every change will stand here.</p>
      ) : null}
      <div className="grid gap-4 md:grid-cols-[5fr_7fr]">
        <ol className="max-h-[26rem] overflow-y-auto" tabIndex={0} aria-label="Changes, the latest first">
          {(history.data ?? []).map((change) => (
            <li key={change.revision}>
              <button
                type="button"
                className={`hover:bg-base-200 w-full cursor-pointer rounded px-2 py-1.5 text-left ${looked === change.revision ? 'bg-(--green-paper)' : ''}`}
                aria-pressed={looked === change.revision}
                onClick={() => {
                  setLooked(change.revision)
                }}
              >
                <span className={change.isUndone ? 'quiet line-through' : ''}>{change.words}</span>
                <span className="quiet block text-sm">
                  {change.by}, {dayAndTime(new Date(change.at), now)}
                </span>
              </button>
            </li>
          ))}
          {history.data !== undefined && history.data.length > 0 ? (
            <li>
              <button
                type="button"
                className={`hover:bg-base-200 w-full cursor-pointer rounded px-2 py-1.5 text-left ${looked === 0 ? 'bg-(--green-paper)' : ''}`}
                aria-pressed={looked === 0}
                onClick={() => {
                  setLooked(0)
                }}
              >
                The beginning
              </button>
            </li>
          ) : null}
        </ol>
        {looked === null ? (
          <p className="quiet">Press a change to look at the notebook as it was after it.</p>
        ) : (
          <div>
            <AsItWas experimentId={experimentId} revision={looked} />
            <button
              type="button"
              className="btn btn-outline btn-sm mt-3"
              disabled={goBack.isPending}
              onClick={() => {
                goBack.act(looked, onClose)
              }}
            >
              Go back to this
            </button>
          </div>
        )}
      </div>
      <DialogDone onDone={onClose} />
    </Dialog>
  )
}
