import { useId } from 'react'
import type { Figure, Notebook } from '../../lib/api/types'
import { askedPanels } from '../../lib/figure/axisUnits'
import { ProblemNote } from '../../ui/ProblemNote'
import { WordSelect } from '../../ui/WordSelect'
import { useFigures } from '../notebook'

const MOST_PANELS = 4

/** What is drawn, in words that are pressed to change it. */
export function FigureWords({ notebook, figure }: { notebook: Notebook; figure: Figure }) {
  const { change } = useFigures(notebook.id)
  const columns = notebook.columns
  const plain = columns.filter(({ isWords }) => !isWords)
  // Only what is changed: the other may be on its way to something else.
  const draw = (panels: (Partial<ReturnType<typeof askedPanels>[number]> & { y: string[] })[]) => {
    change.act({ figure: figure.id, panels })
  }
  const asked = askedPanels(figure.panels)
  const next = plain.find(({ symbol }) => symbol !== figure.x && !figure.panels.some(({ y }) => y.includes(symbol)))
  return (
    <span className="flex flex-wrap items-baseline gap-x-3 gap-y-1 text-sm">
      {figure.panels.map((panel, index) => (
        <span key={index} className="inline-flex items-baseline">
          <Word
            label={figure.panels.length === 1 ? 'y' : `y${index + 1}`}
            value={panel.y[0] ?? ''}
            options={plain.map(({ symbol }) => symbol)}
            onChange={(symbol) => {
              draw(
                asked.map((one, i) =>
                  i === index
                    ? {
                        ...one,
                        y: [symbol, ...one.y.slice(1).filter((of) => of !== symbol)],
                        right: one.right.filter((of) => of !== symbol),
                      }
                    : one,
                ),
              )
            }}
          />
          {figure.panels.length > 1 ? (
            <button
              type="button"
              className="word-button m-0! min-h-[24px] min-w-[24px] font-normal!"
              aria-label={`Remove panel ${index + 1}`}
              onClick={() => {
                draw(asked.filter((_, i) => i !== index))
              }}
            >
              ×
            </button>
          ) : null}
        </span>
      ))}
      <Word
        label="x"
        value={figure.x}
        options={columns.map(({ symbol }) => symbol)}
        onChange={(symbol) => {
          // Ends and unit were those of the other column.
          change.act({ figure: figure.id, x: symbol, axis: { scale: figure.axis.scale } })
        }}
      />
      {figure.panels.length < MOST_PANELS && next !== undefined ? (
        <button
          type="button"
          className="word-button"
          onClick={() => {
            draw([...asked, { y: [next.symbol] }])
          }}
        >
          + panel
        </button>
      ) : null}
      <ProblemNote problem={change.error} />
    </span>
  )
}

function Word({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string
  options: readonly string[]
  onChange: (value: string) => void
}) {
  const id = useId()
  return (
    <span className="inline-flex items-baseline">
      <label htmlFor={id} className="quiet">
        {label}:&nbsp;
      </label>
      <WordSelect id={id} value={value} options={options} onChange={onChange} />
    </span>
  )
}
