import { useState } from 'react'
import { sentenceOf } from '../../lib/api/problem'
import type { Figure, Notebook } from '../../lib/api/types'
import { askedPanels, swapped, withEnds } from '../../lib/figure/axisUnits'
import type { DrawnAxes } from '../../lib/figure/view'
import { columnHead } from '../../lib/notebook/labels'
import { useAsked } from '../../ui/useAsked'
import { TypedField } from '../entries/TypedField'
import { useFigureChange } from '../notebook'
import { AxisFields, type AskedAxis, type AxisChange, type AxisPart } from './AxisFields'
import { PanelColumns } from './PanelColumns'

interface AskedPanel {
  y: string[]
  axis?: AskedAxis
  right?: string[]
  rightAxis?: AskedAxis
}

/** Those that are no part of an axis. */
const PLAIN_FIELDS = ['swap', 'view', 'with', 'points', 'bars', 'colours', 'caption']

interface AxesCardProps {
  notebook: Notebook
  figure: Figure
  /** Whether it draws the runs, not their rows. */
  isRuns: boolean
  /** The axes as they are seen now. */
  seen: () => DrawnAxes | null
  onClose: () => void
}

/** How a figure is drawn: each axis from where to where, evenly or by powers of ten, and in which unit; a second axis; points and their ±. */
export function AxesCard({ notebook, figure, isRuns, seen, onClose }: AxesCardProps) {
  const change = useFigureChange(notebook, figure)
  const head = (symbol: string) => {
    const column = notebook.columns.find((one) => one.symbol === symbol)
    return column === undefined ? symbol : columnHead(column)
  }
  const unitOf = (symbol: string | undefined) => notebook.columns.find((one) => one.symbol === symbol)?.unit ?? ''
  // What was refused stays in its field, and so does why, until it is typed anew.
  const [refused, setRefused] = useState<{ field: string; words: string } | null>(null)
  const [points, bars, colours] = [useAsked(figure.points), useAsked(figure.bars), useAsked(figure.coloursBy)]
  const isColourAsked = !isRuns && notebook.runs.some(({ condition }) => condition !== null)
  const act = (field: string, drawing: Parameters<typeof change.ask>[0]) => {
    setRefused((before) => (before?.field === field ? null : before))
    change.ask(drawing).catch((problem: unknown) => {
      setRefused({ field, words: sentenceOf(problem) })
      points.takeBack()
      bars.takeBack()
      colours.takeBack()
    })
  }
  const changePanel = (
    field: string,
    index: number,
    change: (panel: Figure['panels'][number]) => Partial<AskedPanel>,
  ) => {
    act(field, ({ panels }) => ({
      panels: askedPanels(panels).map((asked, i) => {
        const panel = panels[i]
        return i === index && panel !== undefined ? { ...asked, ...change(panel) } : asked
      }),
    }))
  }
  const fieldsOf = (axis: string, change: (field: string, made: AxisChange) => void) => ({
    refusal:
      refused?.field.startsWith(`${axis} `) === true
        ? { ...refused, part: refused.field.slice(axis.length + 1) }
        : null,
    onRefuse: (part: AxisPart, words: string) => {
      setRefused({ field: `${axis} ${part}`, words })
    },
    onChange: (part: AxisPart, made: AxisChange) => {
      change(`${axis} ${part}`, made)
    },
  })
  return (
    <section className="note mt-2 flex flex-col gap-2.5 text-sm" aria-labelledby="axes-title">
      <div className="flex items-baseline gap-4">
        <h3 id="axes-title" className="flex-1 font-semibold">
          Axes
        </h3>
        {swapped(figure) !== null ? (
          <button
            type="button"
            className="word-button font-normal!"
            onClick={() => {
              act('swap', (now) => swapped(now) ?? {})
            }}
          >
            swap x and y
          </button>
        ) : null}
        <button
          type="button"
          className="word-button font-normal!"
          title="What is seen now becomes the ends of the axes"
          onClick={() => {
            const axes = seen()
            if (axes !== null) act('view', (now) => withEnds(now, axes))
          }}
        >
          keep this view
        </button>
        <button type="button" className="word-button font-normal!" onClick={onClose}>
          done
        </button>
      </div>
      <AxisFields
        name={`x: ${head(figure.x)}`}
        axis={figure.axis}
        unit={unitOf(figure.x)}
        {...fieldsOf('x', (field, made) => {
          act(field, ({ axis }) => ({ axis: made(axis) }))
        })}
      />
      {figure.panels.map((panel, index) => (
        <div key={index} className="contents">
          <AxisFields
            name={`${panel.right.length > 0 ? 'left' : 'y'}: ${panel.y.map(head).join(', ')}`}
            axis={panel.axis}
            unit={unitOf(panel.y[0])}
            {...fieldsOf(`left${index}`, (field, made) => {
              changePanel(field, index, ({ axis }) => ({ axis: made(axis) }))
            })}
          />
          {panel.right.length > 0 ? (
            <AxisFields
              name={`right: ${panel.right.map(head).join(', ')}`}
              axis={panel.rightAxis}
              unit={unitOf(panel.right[0])}
              {...fieldsOf(`right${index}`, (field, made) => {
                changePanel(field, index, ({ rightAxis }) => ({ rightAxis: made(rightAxis) }))
              })}
            />
          ) : null}
          <PanelColumns
            notebook={notebook}
            figure={figure}
            panel={panel}
            onChange={(columns) => {
              changePanel('with', index, () => columns)
            }}
          />
        </div>
      ))}
      <p className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <label className="flex items-baseline gap-1.5">
          <span className="quiet">Points</span>
          <select
            className="word-select"
            value={points.shown ?? ''}
            onChange={(event) => {
              const wanted = (event.target.value || null) as Figure['points']
              points.ask(wanted)
              act('points', () => ({ points: wanted }))
            }}
          >
            <option value="">as they were recorded</option>
            <option value="joined">joined</option>
            <option value="apart">each by itself</option>
          </select>
        </label>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={bars.shown}
            onChange={(event) => {
              const areWanted = event.target.checked
              bars.ask(areWanted)
              act('bars', () => ({ bars: areWanted }))
            }}
          />
          their ± as bars
        </label>
        {isColourAsked ? (
          <label className="flex items-baseline gap-1.5">
            <span className="quiet">Colours</span>
            <select
              className="word-select"
              value={colours.shown ?? ''}
              onChange={(event) => {
                const wanted = (event.target.value || null) as Figure['coloursBy']
                colours.ask(wanted)
                act('colours', () => ({ coloursBy: wanted }))
              }}
            >
              <option value="">as the runs ask for</option>
              <option value="run">of each run</option>
              <option value="condition">of each condition</option>
            </select>
          </label>
        ) : null}
      </p>
      <TypedField
        label="Caption"
        isInline
        placeholder="it writes its own"
        value={figure.caption ?? ''}
        maxLength={1000}
        onChange={(caption) => {
          act('caption', () => ({ caption }))
        }}
      />
      {refused === null || !PLAIN_FIELDS.includes(refused.field) ? null : (
        <p role="alert" className="text-error">
          {refused.words}
        </p>
      )}
    </section>
  )
}
