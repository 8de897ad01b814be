import type { Column, RunRows } from '../../lib/api/types'
import { typeset } from '../../lib/format'

type Foot = NonNullable<RunRows['typed']>['feet'][number]

const LINES = [
  ['n', (foot: Foot) => String(foot.n)],
  ['mean', (foot: Foot) => typeset(foot.mean)],
  ['sd', (foot: Foot) => foot.sd],
  ['min', (foot: Foot) => typeset(foot.least)],
  ['max', (foot: Foot) => typeset(foot.most)],
] as const

/** What is told of each column of numbers; rows set aside are out of it. */
export function TableFoot({ columns, feet }: { columns: readonly Column[]; feet: readonly Foot[] }) {
  if (feet.length === 0) return null
  return (
    <tfoot>
      {LINES.map(([name, told]) => (
        <tr key={name}>
          <th scope="row" className="quiet font-sans">
            {name}
          </th>
          {columns.map((column) => {
            const foot = feet.find(({ symbol }) => symbol === column.symbol)
            return <td key={column.id}>{foot === undefined ? '' : told(foot)}</td>
          })}
          <td role="presentation" />
        </tr>
      ))}
    </tfoot>
  )
}
