import { useState } from 'react'
import type { ShelfStandard } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { Note } from '../../ui/Note'
import { ProblemNote } from '../../ui/ProblemNote'
import { useNotices } from '../../ui/notices'
import { Waiting } from '../../ui/Waiting'
import { standardValue, uncertaintyBeside } from '../calibration/standardWords'
import { StandardDialog } from './StandardDialog'
import { KINDS } from './kinds'
import { useShelf, useShelfActions } from './useShelf'

/** The standards on the shelf: written down once, chosen in a calibration, flagged when they have expired. */
export function ShelfPage() {
  const shelf = useShelf()
  const [editing, setEditing] = useState<ShelfStandard | 'new' | null>(null)
  const expired = (shelf.data ?? []).filter(({ isExpired }) => isExpired)
  return (
    <main className="mx-auto min-h-0 w-full max-w-5xl flex-1 p-5 lg:overflow-y-auto">
      <title>Standards · Welkion</title>
      <div className="mt-4 mb-5 flex flex-wrap items-center justify-between gap-3">
        <div>
          <h1 className="text-2xl font-semibold">Standards on the shelf</h1>
          <p className="quiet">
            Write a bottle or a weight down once; a calibration then offers it by name.
            {expired.length === 0 ? null : (
              <strong className="amber"> {countOf(expired.length, 'standard')} expired.</strong>
            )}
          </p>
        </div>
        <button
          type="button"
          className="btn btn-primary"
          onClick={() => {
            setEditing('new')
          }}
        >
          Add a standard
        </button>
      </div>
      <ProblemNote problem={shelf.error} />
      {shelf.isPending ? <Waiting what="the shelf" /> : null}
      {shelf.data?.length === 0 ? (
        <Note>Nothing stands here yet. Begin with the buffers you open most often.</Note>
      ) : null}
      {KINDS.map(({ kind, words }) => {
        const standards = (shelf.data ?? []).filter((one) => one.kind === kind)
        return standards.length === 0 ? null : (
          <section key={kind} className="panel mb-4" aria-labelledby={`shelf-${kind}`}>
            <h2 id={`shelf-${kind}`} className="border-base-300 border-b px-4 py-2 font-semibold">
              {words}
            </h2>
            <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={`${words}, table`}>
              <table className="w-full min-w-[40rem] table-fixed text-left">
                <colgroup>
                  <col className="w-[25%]" />
                  <col className="w-[24%]" />
                  <col className="w-[13%]" />
                  <col className="w-[19%]" />
                  <col />
                </colgroup>
                <thead className="sr-only">
                  <tr>
                    <th scope="col">Name</th>
                    <th scope="col">Value</th>
                    <th scope="col">Lot</th>
                    <th scope="col">Good until</th>
                    <th scope="col">What can be done</th>
                  </tr>
                </thead>
                <tbody className="divide-base-300 divide-y">
                  {standards.map((standard) => (
                    <ShelfRow
                      key={standard.id}
                      standard={standard}
                      onEdit={() => {
                        setEditing(standard)
                      }}
                    />
                  ))}
                </tbody>
              </table>
            </div>
          </section>
        )
      })}
      {editing === null ? null : (
        <StandardDialog
          standard={editing === 'new' ? null : editing}
          onClose={() => {
            setEditing(null)
          }}
        />
      )}
    </main>
  )
}

function ShelfRow({ standard, onEdit }: { standard: ShelfStandard; onEdit: () => void }) {
  const { remove, restore } = useShelfActions()
  const { tell } = useNotices()
  const until = standard.expiresOn === null ? null : new Date(standard.expiresOn)
  return (
    <tr>
      <td className="px-4 py-2 font-semibold">{standard.label}</td>
      <td className="num py-2">
        {standard.source === 'weight' ? `${standard.code} kg, ` : ''}
        {standardValue(standard.value, standard.unit)}
        {standard.uncertainty > 0 ? (
          <span className="quiet"> ± {uncertaintyBeside(standard.value, standard.uncertainty, standard.unit)}</span>
        ) : null}
      </td>
      <td className="quiet py-2">{standard.lot === null ? '' : `lot ${standard.lot}`}</td>
      <td className={`py-2 ${standard.isExpired ? 'amber font-semibold' : 'quiet'}`}>
        {until === null
          ? 'keeps'
          : `${standard.isExpired ? 'expired' : 'good until'} ${until.toLocaleDateString('en-GB', { dateStyle: 'medium' })}`}
      </td>
      <td className="px-4 py-2 text-right whitespace-nowrap [&>button]:ml-3">
        <button type="button" className="word-button" aria-label={`Change ${standard.label}`} onClick={onEdit}>
          change
        </button>{' '}
        <button
          type="button"
          className="word-button"
          aria-label={`Remove ${standard.label}`}
          onClick={() => {
            remove.mutate(standard.id, {
              onSuccess: () => {
                tell(`${standard.label} was taken off the shelf.`, () => {
                  restore.mutate(standard.id)
                })
              },
            })
          }}
        >
          remove
        </button>
      </td>
    </tr>
  )
}
