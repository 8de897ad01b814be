import type { Notebook } from '../../lib/api/types'

/** A marked stretch of x as a new span of the notebook, named by its number. */
export function spanTold(notebook: Notebook, { from, to }: { from: number; to: number }) {
  const x = notebook.columns.find(({ symbol }) => symbol === notebook.figures[0]?.x)
  if (x === undefined) return {}
  const round = (value: number) => Number(value.toPrecision(6))
  return { span: { columnId: x.id, name: `span ${notebook.spans.length + 1}`, from: round(from), to: round(to) } }
}
