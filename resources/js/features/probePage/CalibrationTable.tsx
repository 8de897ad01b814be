import { useState } from 'react'
import { dayAndTime } from '../../lib/ago'
import type { KeptCalibration, Probe } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { measuredText } from '../../lib/notebook/labels'
import { ProblemNote } from '../../ui/ProblemNote'
import { useNotices } from '../../ui/notices'
import { useNow } from '../../ui/useNow'
import { GRADE_TEXT } from '../calibration/grades'
import { ReadingsOfCalibration } from './ReadingsOfCalibration'
import { SetCalibrationAsideDialog } from './SetCalibrationAsideDialog'
import { useKeptActions } from './useKept'

interface CalibrationTableProps {
  probe: Probe
  calibrations: readonly KeptCalibration[]
}

const ORIGIN_WORDS = { read: '', copied: 'from another probe', factory: 'factory line' } as const

/** Every calibration kept, the newest first, with what was read and what may be done with it. */
export function CalibrationTable({ probe, calibrations }: CalibrationTableProps) {
  const [openId, setOpenId] = useState<number | null>(null)
  const [asideId, setAsideId] = useState<number | null>(null)
  const actions = useKeptActions()
  const { tell } = useNotices()
  const problem = actions.discard.error ?? actions.setAside.error
  if (calibrations.length === 0) {
    return (
      <p className="quiet p-6 text-center">
        Each calibration stands here with its numbers, its verdict and the raw values of each standard.
      </p>
    )
  }
  return (
    <div className="mt-2 min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Table of calibrations">
      <ProblemNote problem={problem} />
      <table className="w-full text-left text-sm [&_td]:pr-3 [&_th]:pr-3 [&_td:last-child]:pr-0">
        <thead className="bg-base-100 sticky top-0">
          <tr className="border-base-300 border-b">
            <th scope="col" className="py-1 font-semibold">
              Kept
            </th>
            <th scope="col" className="font-semibold">
              How
            </th>
            <th scope="col" className="font-semibold">
              Result
            </th>
            <th scope="col" className="font-semibold">
              Verdict
            </th>
            <th scope="col" className="font-semibold">
              Runs
            </th>
            <th scope="col">
              <span className="sr-only">What can be done</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {[...calibrations].reverse().map((one) => (
            <CalibrationRow
              key={one.id}
              calibration={one}
              isInForce={one.id === probe.calibration?.id}
              isOpen={one.id === openId}
              onToggle={() => {
                setOpenId(one.id === openId ? null : one.id)
              }}
              onSetAside={() => {
                setAsideId(one.id)
              }}
              onTakeBack={() => {
                actions.setAside.mutate({ id: one.id, reason: null })
              }}
              onDiscard={() => {
                actions.discard.mutate(one.id, {
                  onSuccess: () => {
                    tell('The calibration was discarded; no run was recorded with it.')
                  },
                })
              }}
            />
          ))}
        </tbody>
      </table>
      {asideId === null ? null : (
        <SetCalibrationAsideDialog
          problem={actions.setAside.error}
          onClose={() => {
            setAsideId(null)
          }}
          onSetAside={(reason) => {
            actions.setAside.mutate(
              { id: asideId, reason },
              {
                onSuccess: () => {
                  setAsideId(null)
                  tell('Set aside. The calibration before it is in force again.', () => {
                    actions.setAside.mutate({ id: asideId, reason: null })
                  })
                },
              },
            )
          }}
        />
      )}
    </div>
  )
}

interface CalibrationRowProps {
  calibration: KeptCalibration
  isInForce: boolean
  isOpen: boolean
  onToggle: () => void
  onSetAside: () => void
  onTakeBack: () => void
  onDiscard: () => void
}

function CalibrationRow({
  calibration,
  isInForce,
  isOpen,
  onToggle,
  onSetAside,
  onTakeBack,
  onDiscard,
}: CalibrationRowProps) {
  const now = useNow(60_000)
  const [figure] = calibration.keyFigures
  const isAside = calibration.setAsideReason !== null
  const kept = calibration.keptAt === null ? '' : dayAndTime(new Date(calibration.keptAt), now)
  return (
    <>
      <tr className="border-base-300 border-b align-top">
        <td className="py-1.5 whitespace-nowrap">
          <span className={isAside ? 'line-through' : ''}>{kept}</span>
          {isInForce ? <strong className="text-success block">in force</strong> : null}
        </td>
        <td className="py-1.5">
          {ORIGIN_WORDS[calibration.origin] === '' ? calibration.recipe : ORIGIN_WORDS[calibration.origin]}
          {calibration.copiedFrom === null ? '' : ` ${calibration.copiedFrom}`}
          {isAside ? <span className="amber block">set aside: {calibration.setAsideReason}</span> : null}
        </td>
        <td className="num py-1.5 whitespace-nowrap">
          {figure === undefined || calibration.origin === 'factory' ? '—' : measuredText(figure.measured)}
        </td>
        <td className={`py-1.5 ${calibration.verdict === null ? '' : GRADE_TEXT[calibration.verdict.grade]}`}>
          {calibration.origin === 'factory' ? '—' : (calibration.verdict?.title ?? '—')}
        </td>
        <td className="num py-1.5">{calibration.runCount}</td>
        <td className="py-1.5 text-right whitespace-nowrap [&>button]:ml-3">
          {calibration.origin === 'read' ? (
            <button
              type="button"
              className="word-button"
              aria-expanded={isOpen}
              aria-label={`Raw values of the calibration kept ${kept}`}
              onClick={onToggle}
            >
              {isOpen ? 'close' : 'raw values'}
            </button>
          ) : null}
          {isAside ? (
            <button type="button" className="word-button" onClick={onTakeBack}>
              take back
            </button>
          ) : (
            <button
              type="button"
              className="word-button"
              aria-label={`Set aside the calibration kept ${kept}`}
              onClick={onSetAside}
            >
              set aside
            </button>
          )}
          {calibration.runCount === 0 ? (
            <button
              type="button"
              className="word-button"
              aria-label={`Discard the calibration kept ${kept}`}
              onClick={onDiscard}
            >
              discard
            </button>
          ) : null}
        </td>
      </tr>
      {isOpen ? (
        <tr className="border-base-300 border-b">
          <td colSpan={6} className="bg-base-200 p-3">
            <ReadingsOfCalibration calibrationId={calibration.id} />
            <p className="quiet mt-2">{countOf(calibration.runCount, 'run')} recorded with it.</p>
          </td>
        </tr>
      ) : null}
    </>
  )
}
