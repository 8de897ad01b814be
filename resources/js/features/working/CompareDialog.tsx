import { useState } from 'react'
import { dayAndTime } from '../../lib/ago'
import type { Comparison, KeptCalibration } from '../../lib/api/types'
import { typeset } from '../../lib/format'
import { measuredText } from '../../lib/notebook/labels'
import { Dialog } from '../../ui/Dialog'
import { DialogDone } from '../../ui/DialogActions'
import { useNow } from '../../ui/useNow'
import { Waiting } from '../../ui/Waiting'
import { useCalibrationHistory } from '../calibration/useCalibration'
import { figureText } from '../../lib/probes/figureText'
import { useComparison } from './useComparison'

type Column = Comparison['columns'][number]

/** A run worked out again from its raw values with another calibration, beside what was recorded. */
export function CompareDialog({
  runId,
  experimentId,
  onClose,
}: {
  runId: number
  experimentId: number
  onClose: () => void
}) {
  const { comparison, add, putInForce } = useComparison(runId, experimentId)
  const problem = comparison.error ?? add.error ?? putInForce.error
  return (
    <Dialog title="Worked out by other calibrations" isWide onClose={onClose}>
      <p className="quiet mb-3">
        The raw values stay as they were recorded; only the line that turns them into quantities changes. What was
        recorded stays beside it.
      </p>
      {comparison.data === undefined ? (
        <Waiting what="the results" />
      ) : (
        <>
          <CompareTable
            comparison={comparison.data}
            onPutInForce={(id) => {
              putInForce.act(id)
            }}
          />
          <AddCalibration comparison={comparison.data} isAdding={add.isPending} onAdd={add.mutate} />
        </>
      )}
      <DialogDone problem={problem} onDone={onClose} />
    </Dialog>
  )
}

function CompareTable({
  comparison,
  onPutInForce,
}: {
  comparison: Comparison
  onPutInForce: (id: number | null) => void
}) {
  const now = useNow(60_000)
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <thead className="border-base-300 border-b align-bottom">
          <tr>
            <th scope="col" className="py-1 pr-3 font-semibold">
              Result
            </th>
            {comparison.columns.map((column, index) => (
              <th key={column.reworkingId ?? 'recorded'} scope="col" className="py-1 pr-3 font-normal">
                <span className="font-semibold">{index === 0 ? 'As recorded' : 'Worked out again'}</span>
                <span className="quiet block text-sm">{columnWords(column, now)}</span>
                {column.isInForce ? (
                  <strong className="text-success text-sm">in force</strong>
                ) : (
                  <button
                    type="button"
                    className="word-button text-sm"
                    onClick={() => {
                      onPutInForce(column.reworkingId)
                    }}
                  >
                    tell results by it
                  </button>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="divide-base-300 divide-y">
          {comparison.rows.map((row) => (
            <tr key={row.title}>
              <th scope="row" className="py-1.5 pr-3 font-normal">
                {row.title}
              </th>
              {row.results.map(({ measured, difference, shownDifference }, index) => (
                <td
                  key={comparison.columns[index]?.reworkingId ?? 'recorded'}
                  className="num py-1.5 pr-3 whitespace-nowrap"
                >
                  {measured === null ? '—' : measuredText(measured, 'pH')}
                  {index > 0 && shownDifference !== null && difference !== null ? (
                    <span className="quiet block text-sm">
                      {differenceWords(difference, shownDifference, measured?.unit)}
                    </span>
                  ) : null}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

interface AddCalibrationProps {
  comparison: Comparison
  isAdding: boolean
  onAdd: (calibrationId: number) => void
}

function AddCalibration({ comparison, isAdding, onAdd }: AddCalibrationProps) {
  const history = useCalibrationHistory(comparison.probeId)
  const now = useNow(60_000)
  const [chosen, setChosen] = useState('')
  const shown = new Set(comparison.columns.map(({ calibration }) => calibration?.id))
  const others = (history.data?.calibrations ?? []).filter(({ id }) => !shown.has(id)).reverse()
  if (others.length === 0) return <p className="quiet mt-3 text-sm">All calibrations of this probe are shown.</p>
  return (
    <div className="mt-4 flex flex-wrap items-center gap-3">
      <select
        className="select select-sm bg-base-100 min-w-64"
        aria-label="Another calibration of this probe"
        value={chosen}
        onChange={(event) => {
          setChosen(event.target.value)
        }}
      >
        <option value="">another calibration of this probe</option>
        {others.map((one) => (
          <option key={one.id} value={one.id}>
            {optionWords(one, now)}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="btn btn-sm btn-outline"
        disabled={chosen === '' || isAdding}
        onClick={() => {
          onAdd(Number(chosen))
          setChosen('')
        }}
      >
        Work it out beside
      </button>
    </div>
  )
}

function differenceWords(difference: number, shown: string, unit = ''): string {
  if (Number(shown) === 0) return 'the same'
  return `${difference > 0 ? '+' : ''}${typeset(shown)}${unit === 'pH' ? '' : ` ${unit}`}`
}

function columnWords({ calibration }: Column, now: Date): string {
  const [figure] = calibration?.keyFigures ?? []
  if (calibration?.keptAt == null || figure === undefined) return 'the maker’s line'
  return `${figureText(figure)}, ${dayAndTime(new Date(calibration.keptAt), now)}`
}

function optionWords(one: KeptCalibration, now: Date): string {
  const [figure] = one.keyFigures
  const when = one.keptAt === null ? '' : dayAndTime(new Date(one.keptAt), now)
  return `${when}${figure === undefined ? '' : `, ${figureText(figure)}`}${one.setAsideReason === null ? '' : ', set aside'}`
}
