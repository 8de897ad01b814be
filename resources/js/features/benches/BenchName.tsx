import { useState } from 'react'
import type { Bench } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { useOwnBenches } from './useOwnBenches'

/** What a bench is called; and that it is gone for good. */
export function BenchNameDialog({ bench, onClose }: { bench: Bench; onClose: () => void }) {
  const { rename, putAway } = useOwnBenches()
  const [name, setName] = useState(bench.name)
  return (
    <Dialog title={`Bench ${bench.name}`} onClose={onClose}>
      <label className="flex flex-col gap-0.5">
        <span className="quiet text-sm">Name</span>
        <input
          className="input input-sm bg-base-100 w-full"
          value={name}
          maxLength={60}
          onChange={(event) => {
            setName(event.target.value)
          }}
        />
      </label>
      {bench.address === null ? null : <p className="quiet mt-2 text-sm">Its device listens at {bench.address}.</p>}
      <p className="mt-3">
        <button
          type="button"
          className="word-button font-normal!"
          disabled={putAway.isPending}
          onClick={() => {
            putAway.mutate(bench.id, { onSuccess: onClose })
          }}
        >
          Put this bench away
        </button>{' '}
        <span className="quiet text-sm">What was recorded at it stays; it can be brought back.</span>
      </p>
      <DialogActions
        confirm="Use this name"
        problem={rename.error ?? putAway.error}
        isDisabled={rename.isPending || name.trim() === ''}
        onCancel={onClose}
        onConfirm={() => {
          rename.mutate({ id: bench.id, name: name.trim() }, { onSuccess: onClose })
        }}
      />
    </Dialog>
  )
}
