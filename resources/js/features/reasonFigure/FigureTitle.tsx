import type { Figure } from '../../lib/api/types'
import { EditableTitle } from '../../ui/EditableTitle'
import { useFigures } from '../notebook'

interface FigureTitleProps {
  experiment: number
  figure: Figure | undefined
}

/** The title of a figure, which stands above the picture that is saved, too. */
export function FigureTitle({ experiment, figure }: FigureTitleProps) {
  const { change } = useFigures(experiment)
  if (figure === undefined)
    return (
      <h2 id="figure-title" className="font-semibold">
        Figure
      </h2>
    )
  return (
    <EditableTitle
      level={2}
      id="figure-title"
      shown={figure.shownTitle === '' ? 'Figure' : figure.shownTitle}
      text={figure.title}
      label="Title of the figure"
      placeholder="what the figure shows"
      maxLength={160}
      problem={change.error}
      onKeep={(title, then) => {
        change.act({ figure: figure.id, title }, then)
      }}
    />
  )
}
