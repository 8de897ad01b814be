import { useState } from 'react'
import type { Figure } from '../../lib/api/types'
import { useFigures } from '../notebook'

interface FigureTitleProps {
  experiment: number
  figure: Figure | undefined
}

/** The title of a figure, pressed to change it; it stands above the picture that is saved. */
export function FigureTitle({ experiment, figure }: FigureTitleProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const { change } = useFigures(experiment)
  if (figure === undefined)
    return (
      <h2 id="figure-title" className="font-semibold">
        Figure
      </h2>
    )

  function keep() {
    if (typed === null || figure === undefined) return
    if (typed.trim() === figure.title) setTyped(null)
    else
      change.act({ figure: figure.id, title: typed.trim() }, () => {
        setTyped(null)
      })
  }

  return (
    <>
      <h2 id="figure-title" className="font-semibold" hidden={typed !== null}>
        <button
          type="button"
          className="cursor-text text-left font-semibold hover:underline"
          title="Change the title"
          onClick={() => {
            setTyped(figure.title)
          }}
        >
          {figure.shownTitle === '' ? 'Figure' : figure.shownTitle}
        </button>
      </h2>
      {typed === null ? null : (
        <input
          aria-label="Title of the figure"
          className="input input-sm bg-base-100 w-64"
          value={typed}
          maxLength={160}
          placeholder="what the figure shows"
          autoFocus
          onChange={(event) => {
            setTyped(event.target.value)
          }}
          onBlur={keep}
          onKeyDown={(event) => {
            if (event.key === 'Enter') keep()
            if (event.key === 'Escape') setTyped(null)
          }}
        />
      )}
    </>
  )
}
