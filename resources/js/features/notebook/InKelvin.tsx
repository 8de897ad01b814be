import type { Notebook } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'
import { useColumns } from './useThings'

interface InKelvinProps {
  notebook: Notebook
  /** Symbols of columns that mean something only in kelvin. */
  symbols: readonly (string | null)[]
}

/** A word for each column in °C that would have to be in kelvin for what is looked at; pressed, it is. */
export function InKelvin({ notebook, symbols }: InKelvinProps) {
  const { change } = useColumns(notebook.id)
  return (
    <>
      {notebook.columns
        .filter(({ symbol }) => symbols.includes(symbol))
        .map((column) => (
          <button
            key={column.id}
            type="button"
            className="word-button"
            disabled={change.isPending}
            onClick={() => {
              change.act({ column: column.id, unit: 'K' })
            }}
          >
            use {column.symbol} in kelvin
          </button>
        ))}
      <ProblemNote problem={change.error} />
    </>
  )
}
