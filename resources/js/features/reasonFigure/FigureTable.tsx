import { useState } from 'react'
import { dataTables } from '../../lib/figure/dataTable'
import type { FigureInput } from '../../lib/figure/drawn'
import { Dialog } from '../../ui/Dialog'
import { DialogDone } from '../../ui/DialogActions'

interface FigureTableProps {
  caption: string
  input: FigureInput | null
}

/** The figure as numbers, for who reads them instead. */
export function FigureTable({ caption, input }: FigureTableProps) {
  const [isOpen, setIsOpen] = useState(false)
  function handleClose() {
    setIsOpen(false)
  }
  return (
    <>
      <button
        type="button"
        className="word-button"
        disabled={input === null}
        onClick={() => {
          setIsOpen(true)
        }}
      >
        as a table
      </button>
      {!isOpen || input === null ? null : (
        <Dialog title="What the figure draws" onClose={handleClose}>
          <p className="quiet mb-2 text-sm text-wrap">{caption}</p>
          <div className="max-h-96 overflow-auto" tabIndex={0} role="region" aria-label="Numbers of the figure">
            {dataTables(input).map((table) => (
              <table key={table.key} className="num mb-4 w-full text-right text-sm">
                <caption className="text-left font-sans font-semibold">
                  {table.run}
                  {table.rows.length === table.count ? '' : `, ${table.rows.length} of ${table.count} rows`}
                </caption>
                <thead className="quiet bg-base-100 sticky top-0">
                  <tr>
                    {table.heads.map((head) => (
                      <th key={head} scope="col" className="py-1 pl-4">
                        {head}
                      </th>
                    ))}
                    <th scope="col" className="pl-4 text-left font-sans">
                      <span className="sr-only">Set aside</span>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {table.rows.map(({ key, cells, setAside }) => (
                    <tr key={key} className="border-base-300 border-t">
                      {cells.map((cell, place) => (
                        <td key={table.heads[place]} className={`pl-4 ${setAside === null ? '' : 'line-through'}`}>
                          {cell}
                        </td>
                      ))}
                      <td className="pl-4 text-left font-sans">{setAside === null ? '' : `set aside: ${setAside}`}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            ))}
          </div>
          <DialogDone onDone={handleClose} />
        </Dialog>
      )}
    </>
  )
}
