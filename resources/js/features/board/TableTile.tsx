import { useMemo, useRef } from 'react'
import type { Column, RunSummary, Tile } from '../../lib/api/types'
import { columnsOf } from '../../lib/board/tiles'
import { shownNumber, tableMoments, valueAt } from '../../lib/board/values'
import { cellText, columnHead } from '../../lib/notebook/labels'
import { plainNumber, secondsIn } from '../../lib/timed/words'
import { timedNow, usePoints } from '../timed'
import { useSource } from './source'
import { useFittingRows } from './useFittingRows'

/** More are not read from afar. */
const ROWS = 8
/** While a run is recorded, rows that come faster cannot be read. */
const LEAST_STEP_S = 1

/** The newest rows, the newest first. */
export function TableTile({ tile }: { tile: Tile }) {
  const { notebook, run } = useSource()
  const columns = columnsOf(tile, notebook)
  if (run === null || columns.length === 0 || run.timed?.isWaiting === true)
    return <p className="quiet m-auto">Rows come here once a run is recorded.</p>
  return run.kind === 'timed' ? (
    <TimedTable run={run} columns={columns.filter(({ kind }) => kind === 'measured')} />
  ) : (
    <StepTable columns={columns} />
  )
}

function StepTable({ columns }: { columns: readonly Column[] }) {
  const { notebook, rows } = useSource()
  const step = notebook.columns.find(({ kind }) => kind === 'step')
  const heads = [...(step === undefined ? [] : [step]), ...columns.filter(({ kind }) => kind !== 'step')]
  const newest = [...(rows?.rows ?? [])].reverse().slice(0, ROWS)
  return (
    <Table
      heads={heads.map(columnHead)}
      rows={newest.map((row) => ({ key: String(row.id), cells: heads.map((column) => cellText(row, column)) }))}
    />
  )
}

function TimedTable({ run, columns }: { run: RunSummary; columns: readonly Column[] }) {
  const { notebook, live, at } = useSource()
  const time = notebook.columns.find(({ kind }) => kind === 'time')
  const rate = run.timed?.plan.rate ?? 1
  const now = at ?? timedNow(run, live).elapsed
  const isOpen = run.state === 'open' && at === null
  const moments = tableMoments(now, rate, ROWS + (isOpen ? 1 : 0), isOpen ? LEAST_STEP_S : 0)
  const [newest = 0, oldest = 0] = [moments[0], moments.at(-1)]
  const symbols = useMemo(() => columns.map(({ symbol }) => symbol), [columns])
  const runs = useMemo(() => [run], [run])
  const [points = null] = usePoints(runs, symbols, { from: oldest - 0.6 / rate, to: newest + 0.6 / rate })
  const inUnit = secondsIn(time?.unit ?? 's')
  if (moments.length === 0 && isOpen)
    return <p className="quiet m-auto">Too fast for a table while it is recorded; it comes when the run has ended.</p>
  // The newest is on its way a moment longer than it is live.
  const known = moments.filter((moment) => points !== null && moment <= points.to + 0.6 / rate).slice(0, ROWS)
  return (
    <Table
      heads={[time === undefined ? 't / s' : columnHead(time), ...columns.map(columnHead)]}
      rows={known.map((moment) => ({
        key: String(moment),
        cells: [
          plainNumber(moment / inUnit),
          ...columns.map((column) =>
            shownNumber(valueAt(points?.lines[column.symbol] ?? [], moment, 0.6 / rate), column),
          ),
        ],
      }))}
    />
  )
}

function Table({ heads, rows }: { heads: readonly string[]; rows: readonly { key: string; cells: string[] }[] }) {
  const host = useRef<HTMLDivElement>(null)
  const fitting = useFittingRows(host)
  return (
    <div ref={host} className="min-h-0 flex-1">
      <table className="board-table w-full">
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col" className="quiet text-right font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="num">
          {rows.slice(0, fitting).map(({ key, cells }) => (
            <tr key={key} className="border-base-300 border-t">
              {cells.map((cell, index) => (
                <td key={heads[index]} className="text-right">
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
