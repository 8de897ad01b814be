import type { RunsColumn, RunsTable } from '../../lib/api/types'
import { typeset } from '../../lib/format'
import {
  cellOf,
  cellText,
  commonCell,
  GROUPED,
  runsHead,
  scatterText,
  type ConditionRow,
} from '../../lib/notebook/runsTable'
import { unitText } from '../../lib/notebook/labels'
import { RunSwatch } from '../../ui/RunSwatch'

interface ByConditionProps {
  table: RunsTable
  rows: readonly ConditionRow[]
  /** The column that is grouped. */
  column: RunsColumn
  onRun: (id: number) => void
}

/** One row a condition: what was set in it, its trials, and what they come to. */
export function ByCondition({ table, rows, column, onRun }: ByConditionProps) {
  const set = table.columns.filter(({ symbol, kind }) => kind === 'entry' && symbol !== column.symbol)
  const most = Math.max(0, ...rows.map(({ runs }) => runs.length))
  const sentence = scatterText(column)
  return (
    <table className="num w-full text-right text-sm">
      <thead className="quiet bg-base-100 sticky top-0 z-10 font-sans">
        <tr>
          <th scope="col" className="py-1 pl-4 text-left">
            condition
          </th>
          {set.map((one) => (
            <th key={one.symbol} scope="col" className="pl-4" title={one.title}>
              {runsHead(one)}
            </th>
          ))}
          {Array.from({ length: most }, (_, i) => (
            <th key={i} scope="col" className="pl-4">
              trial {i + 1}
              <span className="block text-xs">{i === 0 ? runsHead(column) : unitText(column.unit)}</span>
            </th>
          ))}
          {([['mean', 'mean'], ...GROUPED] as const).map(([name, words]) => (
            <th key={name} scope="col" className="pl-4 last:pr-4">
              {words}
              <span className="block text-xs">{name === 'percent' ? ' ' : unitText(column.unit)}</span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ condition, runs }, index) => {
          const group = column.groups.find((one) => one.condition === condition)
          return (
            <tr key={condition ?? ''} className="border-base-300 border-t">
              <th scope="row" className="py-1 pl-4 text-left font-sans font-normal">
                <span className="inline-flex items-center gap-2">
                  <RunSwatch number={index + 1} />
                  {condition ?? 'none'}
                </span>
              </th>
              {set.map(({ symbol }) => (
                <td key={symbol} className="pl-4">
                  {cellText(commonCell(table, runs, symbol))}
                </td>
              ))}
              {Array.from({ length: most }, (_, i) => {
                const run = runs[i]
                return (
                  <td key={i} className="pl-4">
                    {run === undefined ? null : (
                      <button
                        type="button"
                        className={`cursor-pointer hover:underline ${run.aside === null ? '' : 'line-through'}`}
                        title={run.aside === null ? run.name : `${run.name}, set aside: ${run.aside}`}
                        onClick={() => {
                          onRun(run.id)
                        }}
                      >
                        {typeset(cellOf(table, run.id, column.symbol)?.shownValue ?? '—')}
                      </button>
                    )}
                  </td>
                )
              })}
              <td className="pl-4 font-bold">{group === undefined ? '—' : typeset(group.meanShown)}</td>
              {GROUPED.map(([name]) => (
                <td key={name} className="pl-4 last:pr-4">
                  {group?.shown[name] === undefined
                    ? '—'
                    : `${typeset(group.shown[name])}${name === 'percent' ? ' %' : ''}`}
                </td>
              ))}
            </tr>
          )
        })}
      </tbody>
      {sentence === '' && column.doubt === null ? null : (
        <tfoot>
          <tr className="border-base-300 border-t">
            <td colSpan={3 + set.length + most + GROUPED.length} className="quiet py-1.5 pl-4 text-left font-sans">
              {sentence}
              {column.doubt === null ? null : <span className="amber block font-semibold">{column.doubt}</span>}
            </td>
          </tr>
        </tfoot>
      )}
    </table>
  )
}
