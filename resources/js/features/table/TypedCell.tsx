import type { Column, Row } from '../../lib/api/types'
import { typedText } from '../../lib/table/cells'
import { TypedField } from '../entries/TypedField'
import { useTyping } from '../notebook'

interface TypedCellProps {
  experimentId: number
  runId: number
  row: Row
  column: Column
  /** What the row is called. */
  name: string
}

/** A cell that is typed beside what was recorded: a shade, a note, a mass. */
export function TypedCell({ experimentId, runId, row, column, name }: TypedCellProps) {
  const { fill } = useTyping(runId, experimentId)
  const isBad = !column.isWords && row.texts[column.symbol] !== undefined
  return (
    <TypedField
      label={`${column.symbol} at ${name}`}
      hideLabel
      widthClass="w-20 ml-auto"
      value={typedText(row, column)}
      problem={isBad ? 'no number' : fill.error?.message}
      onChange={(text) => {
        fill.act({ row: row.number, columns: [column.id], cells: [[text]] })
      }}
    />
  )
}
