import type { Notebook, TablePreview } from '../../lib/api/types'
import { columnHead } from '../../lib/notebook/labels'
import type { Wanted } from '../../lib/table/taking'

interface FileColumnsProps {
  notebook: Notebook
  preview: TablePreview
  wanted: Wanted[]
  onWanted: (wanted: Wanted[]) => void
}

const KINDS = { number: 'numbers', datetime: 'dates, as s from the first', text: 'words' } as const

/** The columns of a file with their first rows: which are taken, what each is called here, and where it goes. */
export function FileColumns({ notebook, preview, wanted, onWanted }: FileColumnsProps) {
  const change = (place: number, part: Partial<Wanted>) => {
    onWanted(wanted.map((one) => (one.place === place ? { ...one, ...part } : one)))
  }
  const free = notebook.columns.filter(({ kind }) => kind !== 'derived')
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Columns of the file">
      <table className="num w-max text-right text-sm">
        <thead>
          <tr className="align-top font-sans">
            {preview.columns.map((column, i) => {
              const one = wanted[i]
              if (one === undefined) return null
              const isTrial = preview.trials.some(({ place }) => place === column.place)
              return (
                <th key={column.place} scope="col" className={`px-2 pb-2 font-normal ${isTrial ? 'w-28' : 'w-36'}`}>
                  <label className="flex items-center justify-end gap-2 font-semibold">
                    <span className={isTrial ? '' : 'max-w-28 truncate'} title={column.name}>
                      {column.name}
                    </span>
                    <input
                      hidden={isTrial}
                      type="checkbox"
                      className="checkbox checkbox-xs"
                      checked={one.isTaken}
                      onChange={(event) => {
                        change(one.place, { isTaken: event.target.checked })
                      }}
                    />
                  </label>
                  <span className="quiet block text-xs">{KINDS[column.kind]}</span>
                  {one.isTaken ? (
                    <>
                      <select
                        className="select select-xs bg-base-100 mt-1 w-full"
                        aria-label={`Where ${column.name} goes`}
                        value={one.columnId ?? ''}
                        onChange={(event) => {
                          const into = free.find(({ id }) => id === Number(event.target.value))
                          change(one.place, {
                            columnId: into?.id ?? null,
                            ...(into === undefined ? {} : { symbol: into.symbol, name: into.name }),
                          })
                        }}
                      >
                        <option value="">new column</option>
                        {free.map((into) => (
                          <option key={into.id} value={into.id}>
                            {columnHead(into)}
                          </option>
                        ))}
                      </select>
                      <span className="mt-1 flex gap-1">
                        <input
                          className="input input-xs num bg-base-100 w-full"
                          aria-label={`Symbol of ${column.name}`}
                          value={one.symbol}
                          maxLength={20}
                          onChange={(event) => {
                            change(one.place, { symbol: event.target.value })
                          }}
                        />
                        <input
                          className="input input-xs num bg-base-100 w-full"
                          aria-label={`Unit of ${column.name}`}
                          placeholder="unit"
                          value={one.unit}
                          maxLength={30}
                          onChange={(event) => {
                            change(one.place, { unit: event.target.value })
                          }}
                        />
                      </span>
                    </>
                  ) : null}
                </th>
              )
            })}
          </tr>
        </thead>
        <tbody>
          {preview.rows.map((row, i) => (
            <tr key={i} className="border-base-300 border-t">
              {row.map((cell, k) => (
                <td
                  key={k}
                  className={`max-w-36 truncate px-2 ${wanted[k]?.isTaken === true || preview.trials.some(({ place }) => place === k) ? '' : 'quiet'}`}
                >
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
