import type { Figure, Notebook } from '../../lib/api/types'

/** Which further columns a panel draws, along which side. */
export function PanelColumns({
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
            className="word-select"
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
