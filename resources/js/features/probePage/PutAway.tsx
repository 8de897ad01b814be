import type { Probe } from '../../lib/api/types'
import { useNotices } from '../../ui/notices'
import { ProblemNote } from '../../ui/ProblemNote'
import { useCupboard } from './useCupboard'

/** For a probe that is broken, lent or lost: it leaves the list of its bench, and nothing of its record. */
export function PutAway({ probe }: { probe: Probe }) {
  const { putAway, bringBack } = useCupboard(probe.id)
  const { tell } = useNotices()
  if (probe.isPresent) return null
  return (
    <div className="flex flex-col items-start gap-1 text-sm">
      <ProblemNote problem={putAway.error ?? bringBack.error} />
      {probe.isPutAway ? (
        <>
          <p>
            <strong>Put away.</strong> Plugged in, it is back by itself.
          </p>
          <button
            type="button"
            className="word-button"
            disabled={bringBack.isPending}
            onClick={() => {
              bringBack.mutate()
            }}
          >
            Bring it back to the list
          </button>
        </>
      ) : (
        <>
          <button
            type="button"
            className="word-button"
            disabled={putAway.isPending}
            onClick={() => {
              putAway.mutate(undefined, {
                onSuccess: () => {
                  tell(`${probe.title} ${probe.serial} was put away.`, () => {
                    bringBack.mutate()
                  })
                },
              })
            }}
          >
            Put it away
          </button>
          <p className="quiet">
            For a probe that has gone for good: it leaves the list of bench {probe.bench.name}; its record and its runs
            stay.
          </p>
        </>
      )}
    </div>
  )
}
