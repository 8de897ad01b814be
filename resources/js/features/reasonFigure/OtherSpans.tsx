import type { RunSummary, Span } from '../../lib/api/types'
import { nameOf } from '../../lib/figure/spans'

interface OtherSpansProps {
  /** Named spans along the same column, as they lie in the run in hand. */
  others: readonly Span[]
  /** The one that is looked at, if it is one of the notebook. */
  known: Span | undefined
  run: RunSummary | undefined
  isPending: boolean
  onLook: (from: number, to: number) => void
  /** A span is to lie where the hand drew, in all runs or in one by its number. */
  onPlace: (span: number, inRun?: number) => void
  /** A span is to lie in a run as in all others. */
  onJoin: (span: number, inRun: number) => void
}

/** The named spans beside the one that is drawn: to be looked at, or put where it is, in all runs or in this one alone. */
export function OtherSpans({ others, known, run, isPending, onLook, onPlace, onJoin }: OtherSpansProps) {
  const isOwn = run !== undefined && known?.ofRuns.some((one) => one.run === run.number) === true
  return (
    <>
      {!isOwn ? null : (
        <p className="quiet">
          “{nameOf(known)}” lies here in {run.name} alone ·{' '}
          <button
            type="button"
            className="word-button"
            disabled={isPending}
            onClick={() => {
              onJoin(known.id, run.number)
            }}
          >
            as in all runs
          </button>
        </p>
      )}
      {others.map((other) => (
        <p key={other.id} className="quiet">
          <button
            type="button"
            className="word-button"
            title="Look at it"
            onClick={() => {
              onLook(other.from, other.to)
            }}
          >
            “{nameOf(other)}”
          </button>{' '}
          {known !== undefined ? null : (
            <>
              put it here:{' '}
              <button
                type="button"
                className="word-button mr-2"
                disabled={isPending}
                aria-label={`Put “${nameOf(other)}” here in all runs`}
                onClick={() => {
                  onPlace(other.id)
                }}
              >
                in all runs
              </button>
              {run === undefined ? null : (
                <button
                  type="button"
                  className="word-button"
                  disabled={isPending}
                  aria-label={`Put “${nameOf(other)}” here in ${run.name} alone`}
                  onClick={() => {
                    onPlace(other.id, run.number)
                  }}
                >
                  in this run alone
                </button>
              )}
            </>
          )}
        </p>
      ))}
    </>
  )
}
