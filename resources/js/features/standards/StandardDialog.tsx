import { useId, useState } from 'react'
import type { ProbeKind, ShelfEntry, ShelfStandard } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { NumberField } from '../../ui/NumberField'
import { KINDS } from './kinds'
import { useShelfActions } from './useShelf'

const TYPED = 'typed'

/** One bottle, weight or gauge: what it is, what it is called, until when it is good. */
export function StandardDialog({ standard, onClose }: { standard: ShelfStandard | null; onClose: () => void }) {
  const { keep } = useShelfActions()
  const [kind, setKind] = useState<ProbeKind>(standard?.kind ?? 'ph-electrode')
  const known = KINDS.find((one) => one.kind === kind)
  const [what, setWhat] = useState(() => (standard === null ? keyOf(known?.sources[0]) : whatOf(standard)))
  const [label, setLabel] = useState(standard?.label ?? '')
  const [value, setValue] = useState<number | null>(standard === null ? null : typedValue(standard))
  const [uncertainty, setUncertainty] = useState<number | null>(
    standard?.source === 'typed' ? standard.uncertainty : null,
  )
  const [lot, setLot] = useState(standard?.lot ?? '')
  const [expiresOn, setExpiresOn] = useState(standard?.expiresOn ?? '')
  const ids = { kind: useId(), what: useId(), label: useId(), lot: useId(), until: useId() }
  const chosen = known?.sources.find((one) => keyOf(one) === what)
  const isWeight = chosen?.source === 'weight'
  const entry: ShelfEntry = {
    kind,
    source: chosen?.source ?? 'typed',
    code: chosen?.code ?? null,
    label,
    value: chosen === undefined || isWeight ? value : null,
    uncertainty,
    lot: lot === '' ? null : lot,
    expiresOn: expiresOn === '' ? null : expiresOn,
  }

  return (
    <Dialog title={standard === null ? 'Add a standard' : `Change ${standard.label}`} onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault()
          keep.mutate({ id: standard?.id ?? null, entry }, { onSuccess: onClose })
        }}
      >
        <div className="grid gap-3 sm:grid-cols-2">
          <div className="flex flex-col gap-1">
            <label htmlFor={ids.kind}>For</label>
            <select
              id={ids.kind}
              className="select select-sm bg-base-100 w-full"
              value={kind}
              onChange={(event) => {
                const next = event.target.value as ProbeKind
                setKind(next)
                setWhat(keyOf(KINDS.find((one) => one.kind === next)?.sources[0]))
              }}
            >
              {KINDS.map((one) => (
                <option key={one.kind} value={one.kind}>
                  {one.words}
                </option>
              ))}
            </select>
          </div>
          <div className="flex flex-col gap-1">
            <label htmlFor={ids.what}>What it is</label>
            <select
              id={ids.what}
              className="select select-sm bg-base-100 w-full"
              value={what}
              onChange={(event) => {
                setWhat(event.target.value)
              }}
            >
              {(known?.sources ?? []).map((one) => (
                <option key={keyOf(one)} value={keyOf(one)}>
                  {one.words}
                </option>
              ))}
              <option value={TYPED}>another, value typed</option>
            </select>
          </div>
        </div>
        <div className="flex flex-col gap-1">
          <label htmlFor={ids.label}>Name on it</label>
          <input
            id={ids.label}
            className="input input-sm bg-base-100 w-full"
            value={label}
            maxLength={60}
            onChange={(event) => {
              setLabel(event.target.value)
            }}
          />
        </div>
        {chosen === undefined || isWeight ? (
          <div className="flex gap-4">
            <NumberField
              label={isWeight ? 'Mass' : 'Value'}
              unit={isWeight ? 'kg' : (known?.unit ?? '')}
              value={value}
              onChange={setValue}
            />
            {isWeight ? null : (
              <NumberField label="±" value={uncertainty} allowBlank widthClass="w-18" onChange={setUncertainty} />
            )}
          </div>
        ) : null}
        <div className="grid gap-3 sm:grid-cols-2">
          <div className="flex flex-col gap-1">
            <label htmlFor={ids.lot}>Lot</label>
            <input
              id={ids.lot}
              className="input input-sm bg-base-100 w-full"
              value={lot}
              maxLength={60}
              onChange={(event) => {
                setLot(event.target.value)
              }}
            />
          </div>
          <div className="flex flex-col gap-1">
            <label htmlFor={ids.until}>Good until</label>
            <input
              id={ids.until}
              type="date"
              className="input input-sm bg-base-100 w-full"
              value={expiresOn}
              onChange={(event) => {
                setExpiresOn(event.target.value)
              }}
            />
          </div>
        </div>
        <DialogActions
          confirm={standard === null ? 'Put it on the shelf' : 'Keep the change'}
          problem={keep.error}
          isDisabled={keep.isPending}
          onCancel={onClose}
        />
      </form>
    </Dialog>
  )
}

function keyOf(one: { source: string; code: string } | undefined): string {
  return one === undefined ? TYPED : `${one.source} ${one.code}`
}

function whatOf(standard: ShelfStandard): string {
  if (standard.source === 'typed') return TYPED
  return standard.source === 'weight' ? 'weight ' : `${standard.source} ${standard.code}`
}

/** What was typed for it: kg for a weight, otherwise its value. */
function typedValue(standard: ShelfStandard): number | null {
  if (standard.source === 'weight') return Number(standard.code)
  return standard.source === 'typed' ? standard.value : null
}
