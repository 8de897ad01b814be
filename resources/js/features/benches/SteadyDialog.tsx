import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Bench, Probe, ProbeKind } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { NumberField } from '../../ui/NumberField'

type Limits = Pick<Probe['steady'], 'driftPerMinute' | 'scatter' | 'tolerance' | 'windowS'>

const FIELDS = [
  { name: 'driftPerMinute', label: 'drifts by at most', perMinute: true },
  { name: 'scatter', label: 'scatters by at most', perMinute: false },
  { name: 'tolerance', label: 'has at most this far to go', perMinute: false },
] as const

/** When a kind of probe is called steady on this bench: for a draughty window place, or a stirrer that shakes. */
export function SteadyDialog({ bench, onClose }: { bench: Bench; onClose: () => void }) {
  const kinds = bench.probes.filter((probe, i) => bench.probes.findIndex(({ kind }) => kind === probe.kind) === i)
  const [chosen, setChosen] = useState<ProbeKind | undefined>(kinds[0]?.kind)
  const probe = kinds.find(({ kind }) => kind === chosen)
  const [typed, setTyped] = useState<Partial<Limits>>({})
  const client = useQueryClient()
  const tune = useMutation({
    mutationFn: (limits: Limits | null) =>
      answerOf(
        api.PATCH('/api/benches/{bench}', {
          params: { path: { bench: bench.id } },
          body: { kind: chosen ?? 'thermometer', limits },
        }),
      ),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: ['benches'] })
      onClose()
    },
  })
  if (probe === undefined) return null
  const limits = { ...probe.steady, ...typed }
  return (
    <Dialog title={`When is a probe of bench ${bench.name} steady?`} onClose={onClose}>
      <div className="flex flex-col gap-3">
        <select
          className="select select-sm bg-base-100 w-full"
          aria-label="Kind of probe"
          value={probe.kind}
          onChange={(event) => {
            setChosen(event.target.value as ProbeKind)
            setTyped({})
          }}
        >
          {kinds.map(({ kind, title }) => (
            <option key={kind} value={kind}>
              {title}
            </option>
          ))}
        </select>
        <p className="quiet">
          It is called steady when, over the window, it
          {probe.steady.share > 0 ? ` (with ${probe.steady.share * 100} % of its value on top)` : ''}
        </p>
        {FIELDS.map(({ name, label, perMinute }) => (
          <NumberField
            key={`${probe.kind} ${name}`}
            label={label}
            unit={perMinute ? `${probe.unit} per minute` : probe.unit}
            value={limits[name]}
            onChange={(value) => {
              setTyped({ ...typed, ...(value === null ? {} : { [name]: value }) })
            }}
          />
        ))}
        <NumberField
          key={`${probe.kind} window`}
          label="Window"
          unit="s"
          value={limits.windowS}
          onChange={(value) => {
            setTyped({ ...typed, ...(value === null ? {} : { windowS: value }) })
          }}
        />
        {probe.steady.isOwn ? (
          <button
            type="button"
            className="word-button self-start"
            onClick={() => {
              tune.mutate(null)
            }}
          >
            back to what is usual for this kind
          </button>
        ) : null}
      </div>
      <DialogActions
        confirm="Use these limits"
        problem={tune.error}
        isDisabled={tune.isPending}
        onCancel={onClose}
        onConfirm={() => {
          const { driftPerMinute, scatter, tolerance, windowS } = limits
          tune.mutate({ driftPerMinute, scatter, tolerance, windowS })
        }}
      />
    </Dialog>
  )
}
