import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answerOf, api } from '../../lib/api/client'
import type { Probe, StandardsChoice } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { NumberField } from '../../ui/NumberField'
import { standardName } from './standardWords'

type Chosen = StandardsChoice[number]

interface StandardsDialogProps {
  probe: Probe
  unit: string
  standards: StandardsChoice
  problem: Error | null
  onChoose: (standards: StandardsChoice) => void
  onClose: () => void
}

interface Option {
  key: string
  words: string
  chosen: Chosen
}

const MOST = 5
const TYPED = 'typed'

/** Which standards are in hand: from the shelf, of the usual kinds, or any other with its value typed. */
export function StandardsDialog({ probe, unit, standards, problem, onChoose, onClose }: StandardsDialogProps) {
  const [chosen, setChosen] = useState<readonly Chosen[]>(standards)
  const shelf = useQuery({ queryKey: ['shelf'], queryFn: () => answerOf(api.GET('/api/shelf')) })
  const bottles: Option[] = (shelf.data ?? [])
    .filter((bottle) => bottle.kind === probe.kind && bottle.unit === unit)
    .map((bottle) => ({
      key: `shelf-${bottle.id}`,
      words: `${bottle.label}${bottle.lot === null ? '' : `, lot ${bottle.lot}`}${bottle.isExpired ? ' · expired' : ''}`,
      chosen: { shelfId: bottle.id },
    }))
  const usual: Option[] = probe.standardChoices
    .filter((row) => row.unit === unit)
    .map((row) => ({ key: `${row.source} ${row.code} ${row.label}`, words: standardName(row), chosen: row }))
  const options = [...bottles, ...usual]
  const typed: Chosen = { source: 'typed', code: '', label: '', value: unit === 'pH' ? 7 : null, uncertainty: 0 }

  function handleChange(index: number, standard: Chosen) {
    setChosen(chosen.map((old, i) => (i === index ? standard : old)))
  }

  return (
    <Dialog title="Standards at hand" onClose={onClose}>
      <p className="quiet mb-3">
        Choose what stands on your bottles, in the order you will read them.
        {unit === 'pH' ? ' Values follow the temperature of the bench. Begin with the one nearest to 7.' : ''}
      </p>
      <ol className="flex flex-col gap-2">
        {chosen.map((standard, index) => (
          <li key={index} className="flex flex-wrap items-end gap-2">
            <select
              className="select select-sm bg-base-100 min-w-44 flex-1"
              aria-label={`Standard ${index + 1}`}
              value={optionOf(standard, options)?.key ?? TYPED}
              onChange={(event) => {
                handleChange(index, options.find(({ key }) => key === event.target.value)?.chosen ?? typed)
              }}
            >
              {bottles.length === 0 ? null : <Options label="On the shelf" options={bottles} />}
              {usual.length === 0 ? null : <Options label="Usual standards" options={usual} />}
              <option value={TYPED}>another, typed</option>
            </select>
            {optionOf(standard, options) === undefined ? (
              <>
                <NumberField
                  label={`${unit === 'pH' ? 'pH' : 'Value'} of standard ${index + 1}`}
                  hideLabel
                  unit={unit}
                  value={standard.isExample === true ? null : (standard.value ?? null)}
                  widthClass="w-20"
                  onChange={(value) => {
                    handleChange(index, { ...standard, value, isExample: false })
                  }}
                />
                <NumberField
                  label={`± of standard ${index + 1}`}
                  hideLabel
                  unit="±"
                  value={standard.uncertainty ?? 0}
                  widthClass="w-16"
                  onChange={(uncertainty) => {
                    handleChange(index, { ...standard, uncertainty })
                  }}
                />
              </>
            ) : null}
            <button
              type="button"
              className="btn btn-sm btn-ghost"
              aria-label={`Remove standard ${index + 1}`}
              disabled={chosen.length <= 1}
              onClick={() => {
                setChosen(chosen.filter((_, i) => i !== index))
              }}
            >
              remove
            </button>
          </li>
        ))}
      </ol>
      {chosen.length < MOST ? (
        <button
          type="button"
          className="word-button mt-3"
          onClick={() => {
            setChosen([...chosen, options[options.length - 1]?.chosen ?? typed])
          }}
        >
          + one more standard
        </button>
      ) : null}
      <DialogActions
        confirm="Use these"
        problem={problem}
        onCancel={onClose}
        onConfirm={() => {
          onChoose(chosen.map(asked))
        }}
      />
    </Dialog>
  )
}

function Options({ label, options }: { label: string; options: readonly Option[] }) {
  return (
    <optgroup label={label}>
      {options.map(({ key, words }) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </optgroup>
  )
}

function optionOf(standard: Chosen, options: readonly Option[]): Option | undefined {
  if (standard.shelfId != null) return options.find(({ chosen }) => chosen.shelfId === standard.shelfId)
  if (standard.source === 'typed') return undefined
  return options.find(
    ({ chosen }) =>
      chosen.shelfId == null &&
      chosen.source === standard.source &&
      (chosen.code ?? '') === (standard.code ?? '') &&
      (chosen.label ?? '') === (standard.label ?? ''),
  )
}

/** Of a row, only what is asked for. */
function asked(chosen: Chosen): Chosen {
  if (chosen.shelfId != null) return { shelfId: chosen.shelfId }
  const { source = 'typed', code = null, label = null, value = null, uncertainty = null, isExample = false } = chosen
  return { source, code, label, value, uncertainty, isExample }
}
