import type { Reading } from '../../lib/api/types'
import { volume } from '../../lib/format'
import { useNotices } from '../../ui/notices'
import { useReadingActions } from '../recording/useRun'

/** Setting readings aside and taking them back, each with its undo. */
export function useSetAside(experimentId: number) {
  const { setAside } = useReadingActions(experimentId)
  const { tell } = useNotices()

  async function putAside(readings: readonly Reading[], reason: string): Promise<void> {
    for (const reading of readings) await setAside.mutateAsync({ id: reading.id, reason })
    const [first] = readings
    if (first === undefined) return
    const what =
      readings.length === 1 ? `The reading at ${volume(first.volume)} mL is` : `${readings.length} readings are`
    tell(`${what} set aside; the working is done again without.`, () => {
      readings.forEach((reading) => {
        setAside.mutate({ id: reading.id, reason: null })
      })
    })
  }

  function takeBack(reading: Reading): void {
    const reason = reading.setAsideReason
    setAside.mutate(
      { id: reading.id, reason: null },
      {
        onSuccess: () => {
          tell(`The reading at ${volume(reading.volume)} mL counts again.`, () => {
            setAside.mutate({ id: reading.id, reason })
          })
        },
      },
    )
  }

  return { putAside, takeBack, error: setAside.error, isPending: setAside.isPending }
}
