import { useState } from 'react'
import type { StandardsChoice } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { DialogActions } from '../../ui/DialogActions'
import { NumberField } from '../../ui/NumberField'
import { BUFFERS, type ChosenStandard } from './standards'

interface StandardsDialogProps {
  choice: StandardsChoice
  problem: Error | null
  onChoose: (choice: StandardsChoice) => void
  onClose: () => void
}

const TYPED = 'typed'
const MOST = 5

/** Which standards are in hand: from the list, or any other with its pH typed. */
export function StandardsDialog({ choice, problem, onChoose, onClose }: StandardsDialogProps) {
  const [standards, setStandards] = useState<ChosenStandard[]>(choice.standards)

  function handleChange(index: number, standard: ChosenStandard) {
    setStandards(standards.map((old, i) => (i === index ? standard : old)))
  }

  return (
    <Dialog title="Standards at hand" onClose={onClose}>
      <p className="quiet mb-3">
        Choose what stands on your bottles. Values follow the temperature of the bench. Begin with the one nearest to 7.
      </p>
      <ol className="flex flex-col gap-2">
        {standards.map((standard, index) => (
          <li key={index} className="flex items-end gap-2">
            <select
              className="select select-sm bg-base-100 flex-1"
              aria-label={`Standard ${index + 1}`}
              value={standard.buffer ?? TYPED}
              onChange={(event) => {
                const chosen = BUFFERS.find(({ buffer }) => buffer === event.target.value)
                handleChange(index, chosen === undefined ? { ph: 7 } : { buffer: chosen.buffer })
              }}
            >
              {BUFFERS.map(({ buffer, words }) => (
                <option key={buffer} value={buffer}>
                  {words}
                </option>
              ))}
              <option value={TYPED}>another, typed</option>
            </select>
            {standard.buffer == null ? (
              <NumberField
                label={`pH of standard ${index + 1}`}
                hideLabel
                unit="pH"
                value={standard.ph ?? null}
                widthClass="w-20"
                onChange={(ph) => {
                  handleChange(index, { ph })
                }}
              />
            ) : null}
            <button
              type="button"
              className="btn btn-sm btn-ghost"
              disabled={standards.length <= 2}
              onClick={() => {
                setStandards(standards.filter((_, i) => i !== index))
              }}
            >
              remove
            </button>
          </li>
        ))}
      </ol>
      {standards.length < MOST ? (
        <button
          type="button"
          className="word-button mt-3"
          onClick={() => {
            setStandards([...standards, { buffer: '10.01' }])
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
          onChoose({ standards })
        }}
      />
    </Dialog>
  )
}
