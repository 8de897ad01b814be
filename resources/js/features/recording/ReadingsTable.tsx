import type { Experiment, Reading, Run } from '../../lib/api/types'
import { fixed, volume } from '../../lib/format'
import { useNotices } from '../../ui/notices'
import { useReadingActions } from './useRun'

interface ReadingsTableProps {
  experiment: Experiment
  run: Run | null
}

/** The readings of the run, newest first, each with what can be done to it. */
export function ReadingsTable({ experiment, run }: ReadingsTableProps) {
  const { tell } = useNotices()
  const actions = useReadingActions(experiment.id)
  const readings = [...(run?.readings ?? [])].sort((a, b) => b.takenAt.localeCompare(a.takenAt))

  function handleDelete(reading: Reading) {
    actions.remove.mutate(reading.id, {
      onSuccess: () => {
        tell(`The reading at ${volume(reading.volume)} mL is deleted.`, () => {
          actions.restore.mutate(reading.id)
        })
      },
    })
  }

  return (
    <section className="panel flex min-h-0 flex-col" aria-labelledby="readings-title">
      <div className="flex items-baseline justify-between px-4 pt-4 pb-2">
        <h2 id="readings-title" className="font-semibold">
          Readings
        </h2>
        <span className="quiet text-sm">newest first</span>
      </div>
      {readings.length === 0 ? (
        <p className="quiet px-4 pb-4">Each reading becomes a row here: volume, pH and temperature at that moment.</p>
      ) : (
        <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} role="group" aria-label="Readings, table">
          <table className="num w-full text-right text-sm">
            <thead className="quiet bg-base-100 sticky top-0">
              <tr>
                <th scope="col" className="py-1.5 font-semibold">
                  mL
                </th>
                <th scope="col" className="font-semibold">
                  pH
                </th>
                <th scope="col" className="font-semibold">
                  °C
                </th>
                <th scope="col" className="w-16">
                  <span className="sr-only">Actions</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {readings.map((reading, index) => (
                <tr
                  key={reading.id}
                  className={`border-base-300 border-t ${index === 0 ? 'bg-(--green-paper) font-bold' : ''} ${
                    reading.setAsideReason === null ? '' : 'quiet line-through'
                  }`}
                >
                  <td className="py-1.5">{volume(reading.volume)}</td>
                  <td title={reading.wasSteady ? undefined : 'taken before it was steady'}>
                    {reading.wasSteady ? (
                      ''
                    ) : (
                      <span className="amber" aria-label="not steady, ">
                        ~
                      </span>
                    )}
                    {reading.ph === null ? '—' : fixed(reading.ph.value, 2)}
                  </td>
                  <td className="quiet">{reading.celsius === null ? '—' : fixed(reading.celsius, 1)}</td>
                  <td className="pr-3">
                    <button
                      type="button"
                      className="word-button font-sans! text-xs font-normal!"
                      aria-label={`Delete the reading at ${volume(reading.volume)} mL`}
                      onClick={() => {
                        handleDelete(reading)
                      }}
                    >
                      delete
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  )
}
