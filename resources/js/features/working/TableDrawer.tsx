import { useState } from 'react'
import type { Experiment, Reading, Working } from '../../lib/api/types'
import type { Selection } from '../../lib/figure/selection'
import { fixed, signed, volume } from '../../lib/format'
import { SetAsideDialog } from './SetAsideDialog'
import { useSetAside } from './useSetAside'

interface TableDrawerProps {
  experiment: Experiment
  working: Working
  selection: Selection
  onSelect: (selection: Selection) => void
}

/** The table of readings, drawn up from below; picking a row picks the point. */
export function TableDrawer({ experiment, working, selection, onSelect }: TableDrawerProps) {
  const [isOpen, setIsOpen] = useState(false)
  const [asking, setAsking] = useState<Reading | null>(null)
  const { takeBack } = useSetAside(experiment.id)

  return (
    <section aria-label="Table" className="panel mx-5 mt-auto rounded-b-none! border-b-0!">
      <button
        type="button"
        className="flex w-full flex-wrap items-center gap-x-5 px-4 py-1.5 text-sm"
        aria-expanded={isOpen}
        onClick={() => {
          setIsOpen(!isOpen)
        }}
      >
        <strong>Table</strong>
        <span className="quiet">V · volume / mL</span>
        <span className="quiet">pH</span>
        <span className="quiet">E · electrode / mV</span>
        <span className="quiet">T · temperature / °C</span>
        <span className="flex-1" />
        <span className="quiet">
          {working.readings.length} rows <span aria-hidden="true">{isOpen ? '▼' : '▲'}</span>
        </span>
      </button>
      {isOpen ? (
        <div className="border-base-300 h-56 overflow-y-auto border-t" tabIndex={0} role="region" aria-label="Readings">
          <table className="num w-full text-right text-sm">
            <thead className="quiet bg-base-100 sticky top-0">
              <tr>
                <th scope="col" className="py-1">
                  V / mL
                </th>
                <th scope="col">pH</th>
                <th scope="col">± pH</th>
                <th scope="col">E / mV</th>
                <th scope="col">T / °C</th>
                <th scope="col" className="px-4 text-left">
                  Steady
                </th>
                <th scope="col" className="px-4 text-left">
                  In the calculation
                </th>
              </tr>
            </thead>
            <tbody>
              {working.readings.map((reading) => {
                const isPicked = selection.kind === 'reading' && selection.id === reading.id
                return (
                  <tr key={reading.id} className={`border-base-300 border-t ${isPicked ? 'bg-(--green-paper)' : ''}`}>
                    <td className="py-1">
                      <button
                        type="button"
                        className="word-button"
                        aria-label={`Pick the reading at ${volume(reading.volume)} mL`}
                        onClick={() => {
                          onSelect({ kind: 'reading', id: reading.id })
                        }}
                      >
                        {volume(reading.volume)}
                      </button>
                    </td>
                    <td className={reading.setAsideReason === null ? '' : 'quiet line-through'}>
                      {reading.ph?.shownValue ?? '—'}
                    </td>
                    <td className="quiet">{reading.ph?.shownUncertainty ?? ''}</td>
                    <td>{reading.millivolts === null ? '—' : signed(reading.millivolts, 1)}</td>
                    <td>{reading.celsius === null ? '—' : fixed(reading.celsius, 1)}</td>
                    <td className="px-4 text-left font-sans">
                      {reading.wasSteady ? 'yes' : <span className="amber">no</span>}
                    </td>
                    <td className="px-4 text-left font-sans">
                      {reading.setAsideReason === null ? (
                        <button
                          type="button"
                          className="word-button font-normal!"
                          aria-label={`Set aside the reading at ${volume(reading.volume)} mL`}
                          onClick={() => {
                            setAsking(reading)
                          }}
                        >
                          set aside
                        </button>
                      ) : (
                        <>
                          <span className="quiet">set aside: {reading.setAsideReason}</span>{' '}
                          <button
                            type="button"
                            className="word-button"
                            aria-label={`Take back the reading at ${volume(reading.volume)} mL`}
                            onClick={() => {
                              takeBack(reading)
                            }}
                          >
                            take back
                          </button>
                        </>
                      )}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </div>
      ) : null}
      {asking !== null ? (
        <SetAsideDialog
          experimentId={experiment.id}
          readings={[asking]}
          onClose={() => {
            setAsking(null)
          }}
        />
      ) : null}
    </section>
  )
}
