import type { Figure, Notebook } from '../../lib/api/types'
import { askedAxis, askedPanels } from '../../lib/figure/axisUnits'
import { parseNumber, typeset } from '../../lib/format'
import { columnHead } from '../../lib/notebook/labels'
import { ProblemNote } from '../../ui/ProblemNote'
import { TypedField } from '../entries/TypedField'
import { useFigures } from '../notebook'

type Asked = Partial<ReturnType<typeof askedAxis>>

interface AskedPanel {
  y: string[]
  axis?: Asked
  right?: string[]
  rightAxis?: Asked
}

interface AxesCardProps {
  notebook: Notebook
  figure: Figure
  onClose: () => void
}

/** How a figure is drawn: each axis from where to where, evenly or by powers of ten, and in which unit; a second axis; points and their ±. */
export function AxesCard({ notebook, figure, onClose }: AxesCardProps) {
  const { change } = useFigures(notebook.id)
  const head = (symbol: string) => {
    const column = notebook.columns.find((one) => one.symbol === symbol)
    return column === undefined ? symbol : columnHead(column)
  }
  const act = (drawing: Omit<Parameters<typeof change.act>[0], 'figure'>) => {
    change.act({ figure: figure.id, ...drawing })
  }
  const panels = askedPanels(figure.panels)
  const changePanel = (index: number, panel: Partial<AskedPanel>) => {
    act({ panels: panels.map((one, i) => (i === index ? { ...one, ...panel } : one)) })
  }
  const [only] = figure.panels
  const canSwap = figure.panels.length === 1 && only?.y.length === 1 && only.right.length === 0
  return (
    <section className="note mt-2 flex flex-col gap-3 text-sm" aria-labelledby="axes-title">
      <div className="flex items-baseline gap-4">
        <h3 id="axes-title" className="flex-1 font-semibold">
          Axes
        </h3>
        {canSwap ? (
          <button
            type="button"
            className="word-button font-normal!"
            onClick={() => {
              const y = only.y[0] ?? ''
              act({ x: y, axis: askedAxis(only.axis), panels: [{ y: [figure.x], axis: askedAxis(figure.axis) }] })
            }}
          >
            swap x and y
          </button>
        ) : null}
        <button type="button" className="word-button font-normal!" onClick={onClose}>
          done
        </button>
      </div>
      <AxisFields
        name={`x: ${head(figure.x)}`}
        axis={figure.axis}
        onChange={(axis) => {
          act({ axis })
        }}
      />
      {figure.panels.map((panel, index) => (
        <div key={index} className="contents">
          <AxisFields
            name={`${panel.right.length > 0 ? 'left' : 'y'}: ${panel.y.map(head).join(', ')}`}
            axis={panel.axis}
            onChange={(axis) => {
              changePanel(index, { axis })
            }}
          />
          {panel.right.length > 0 ? (
            <AxisFields
              name={`right: ${panel.right.map(head).join(', ')}`}
              axis={panel.rightAxis}
              onChange={(rightAxis) => {
                changePanel(index, { rightAxis })
              }}
            />
          ) : null}
          <ColumnsOfPanel
            notebook={notebook}
            figure={figure}
            panel={panel}
            onChange={(columns) => {
              changePanel(index, columns)
            }}
          />
        </div>
      ))}
      <p className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <label className="flex items-baseline gap-1.5">
          <span className="quiet">Points</span>
          <select
            className="select select-sm bg-base-100 w-auto"
            value={figure.points ?? ''}
            onChange={(event) => {
              act({ points: (event.target.value || null) as Figure['points'] })
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
            checked={figure.bars}
            onChange={(event) => {
              act({ bars: event.target.checked })
            }}
          />
          their ± as bars
        </label>
      </p>
      <TypedField
        label="Caption (empty: it writes its own)"
        value={figure.caption ?? ''}
        maxLength={1000}
        onChange={(caption) => {
          act({ caption })
        }}
      />
      <ProblemNote problem={change.error} />
    </section>
  )
}

/** The ends, scale and unit of one axis. */
function AxisFields({ name, axis, onChange }: { name: string; axis: Figure['axis']; onChange: (axis: Asked) => void }) {
  const asked = askedAxis(axis)
  const end = (value: number | null) => (value === null ? '' : typeset(String(value)))
  const typed = (text: string): number | null | undefined => (text === '' ? null : (parseNumber(text) ?? undefined))
  return (
    <fieldset className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
      <legend className="mb-0.5 font-semibold">{name}</legend>
      {(['from', 'to'] as const).map((which) => (
        <TypedField
          key={which}
          label={which}
          value={end(axis[which])}
          onChange={(text) => {
            const value = typed(text)
            if (value !== undefined) onChange({ ...asked, [which]: value })
          }}
        />
      ))}
      <TypedField
        label="in"
        value={axis.unit ?? ''}
        onChange={(unit) => {
          // The ends were typed in the unit before.
          onChange({ scale: axis.scale, unit })
        }}
      />
      <label className="flex flex-col gap-0.5">
        <span className="quiet text-sm">divided</span>
        <select
          className="select select-sm bg-base-100"
          value={axis.scale}
          onChange={(event) => {
            onChange({ ...asked, scale: event.target.value as 'linear' | 'log' })
          }}
        >
          <option value="linear">evenly</option>
          <option value="log">by powers of ten</option>
        </select>
      </label>
    </fieldset>
  )
}

/** Which further columns a panel draws, along which side. */
function ColumnsOfPanel({
  notebook,
  figure,
  panel,
  onChange,
}: {
  notebook: Notebook
  figure: Figure
  panel: Figure['panels'][number]
  onChange: (columns: { y: string[]; right: string[] }) => void
}) {
  const others = notebook.columns.filter(
    ({ symbol, isWords }) => !isWords && symbol !== figure.x && symbol !== panel.y[0],
  )
  if (others.length === 0) return null
  const sideOf = (symbol: string) => (panel.right.includes(symbol) ? 'right' : panel.y.includes(symbol) ? 'left' : '')
  return (
    <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <span className="quiet">with it</span>
      {others.map(({ id, symbol }) => (
        <label key={id} className="flex items-baseline gap-1">
          <span className="num">{symbol}</span>
          <select
            aria-label={`${symbol} is drawn`}
            className="text-primary cursor-pointer appearance-none bg-transparent underline decoration-dotted underline-offset-4"
            value={sideOf(symbol)}
            onChange={(event) => {
              const [y, right] = [panel.y, panel.right].map((of) => of.filter((one) => one !== symbol))
              onChange({
                y: [...(y ?? []), ...(event.target.value === 'left' ? [symbol] : [])],
                right: [...(right ?? []), ...(event.target.value === 'right' ? [symbol] : [])],
              })
            }}
          >
            <option value="">no</option>
            <option value="left">at the left</option>
            <option value="right">at the right</option>
          </select>
        </label>
      ))}
    </p>
  )
}
