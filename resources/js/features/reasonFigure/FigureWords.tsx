import { useId } from 'react'
import type { Figure, Notebook } from '../../lib/api/types'
import { askedPanels } from '../../lib/figure/axisUnits'
import { ProblemNote } from '../../ui/ProblemNote'
import { WordSelect } from '../../ui/WordSelect'
import { useFigureChange } from '../notebook'

const MOST_PANELS = 4

type Panels = ReturnType<typeof askedPanels>

/** Why something was refused stands below the words. */
const told = () => undefined

/** What is drawn, in words that are pressed to change it. */
export function FigureWords({ notebook, figure }: { notebook: Notebook; figure: Figure }) {
  const change = useFigureChange(notebook, figure)
  const columns = notebook.columns
  const plain = columns.filter(({ isWords }) => !isWords)
  const draw = (panels: (now: Panels) => (Partial<Panels[number]> & { y: string[] })[]) =>
    change.ask((now) => ({ panels: panels(askedPanels(now.panels)) }))
  const next = plain.find(({ symbol }) => symbol !== figure.x && !figure.panels.some(({ y }) => y.includes(symbol)))
  return (
    <span className="flex flex-wrap items-baseline gap-x-3 gap-y-1 text-sm">
      {figure.panels.map((panel, index) => (
        <span key={index} className="inline-flex items-baseline">
          <Word
            label={figure.panels.length === 1 ? 'y' : `y${index + 1}`}
            value={panel.y[0] ?? ''}
            options={plain.map(({ symbol }) => symbol)}
            onChange={(symbol) =>
              draw((now) =>
                now.map((one, i) =>
                  i === index
                    ? {
                        ...one,
                        // What it was called was the other column.
                        axis: { ...one.axis, label: null },
                        y: [symbol, ...one.y.slice(1).filter((of) => of !== symbol)],
                        right: one.right.filter((of) => of !== symbol),
                      }
                    : one,
                ),
              )
            }
          />
          {figure.panels.length > 1 ? (
            <button
              type="button"
              className="word-button m-0! min-h-[24px] min-w-[24px] font-normal!"
              aria-label={`Remove panel ${index + 1}`}
              onClick={() => {
                draw((now) => now.filter((_, i) => i !== index)).catch(told)
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
        // Ends and unit were those of the other column.
        onChange={(symbol) => change.ask((now) => ({ x: symbol, axis: { scale: now.axis.scale } }))}
      />
      {figure.panels.length < MOST_PANELS && next !== undefined ? (
        <button
          type="button"
          className="word-button"
          onClick={() => {
            draw((now) => [...now, { y: [next.symbol] }]).catch(told)
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
  onChange: (value: string) => Promise<unknown>
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
