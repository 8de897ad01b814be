import { useMutation } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import { fixed } from '../../lib/format'

/** What is really in the beaker: for after the lesson, to judge how good the result was. */
export function RevealTruth({ benchId }: { benchId: number }) {
  const reveal = useMutation({
    mutationFn: () => answerOf(api.GET('/api/benches/{bench}/truth', { params: { path: { bench: benchId } } })),
  })
  if (reveal.data !== undefined) {
    const { truth } = reveal.data
    return (
      <span role="status">
        Truth: equivalence at {fixed(truth.equivalenceVolumeMl, 3)} mL, {fixed(truth.analyteMolPerL, 5)} mol/L, p
        <i>K</i>
        <sub>a</sub> {fixed(truth.pKa, 2)}, electrode {fixed(truth.slopePercent, 1)} %{' '}
        <button type="button" className="word-button" onClick={reveal.reset}>
          hide
        </button>
      </span>
    )
  }
  return (
    <button
      type="button"
      className="word-button"
      onClick={() => {
        reveal.mutate()
      }}
    >
      reveal the truth
    </button>
  )
}
