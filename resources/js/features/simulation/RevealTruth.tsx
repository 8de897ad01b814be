import { useMutation } from '@tanstack/react-query'
import { answerOf, api } from '../../lib/api/client'
import { fixed } from '../../lib/format'

/** What is exactly so at the bench: for after the lesson, to judge how good the result was. */
export function RevealTruth({ benchId }: { benchId: number }) {
  const reveal = useMutation({
    mutationFn: () => answerOf(api.GET('/api/benches/{bench}/truth', { params: { path: { bench: benchId } } })),
  })
  if (reveal.data !== undefined) {
    return (
      <span role="status">
        Truth:{' '}
        {reveal.data.truth.map(({ label, value, unit }) => `${label} ${figures(value)} ${unit}`.trim()).join(', ')}{' '}
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

const FIGURES = 4

function figures(value: number): string {
  const magnitude = value === 0 ? 0 : Math.floor(Math.log10(Math.abs(value)))
  return fixed(value, Math.max(0, FIGURES - 1 - magnitude))
}
