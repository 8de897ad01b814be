import type { Notebook, Row, RunRows } from '../../lib/api/types'
import { giveReason } from '../../lib/notebook/giveReason'
import { readingsName } from '../../lib/notebook/labels'
import { useNotices } from '../../ui/notices'
import { useRunActions, useUndo } from '../notebook'

/** Stands for a reason while somebody still thinks of it. */
const NOT_SAID = 'not said yet'

/** As the server has it: shorter ones are refused. */
const SHORTEST_REASON = 3

/** Setting readings aside and taking them back: each one change, with its undo. */
export function useSetAside(notebook: Notebook, rows: RunRows) {
  const { setAside } = useRunActions(rows.id, notebook.id)
  const { undo } = useUndo(notebook.id)
  const { tell } = useNotices()
  const named = (readings: readonly Row[]) =>
    readingsName(readings, notebook.columns).replace(/^[a-z]/, (letter) => letter.toUpperCase())

  /** Asked while somebody says why, what comes of it stands there at the press. */
  function foresee(readings: readonly Row[]): void {
    const asked = readings.map(({ id }) => id)
    setAside.foresee({ readings: asked, reason: NOT_SAID }, (change, real) => {
      const reason = real.reason?.trim() ?? ''
      return reason.length < SHORTEST_REASON || real.readings.join() !== asked.join()
        ? null
        : giveReason(change, NOT_SAID, reason)
    })
  }

  function putAside(readings: readonly Row[], reason: string, then: () => void): void {
    setAside.act({ readings: readings.map(({ id }) => id), reason }, () => {
      tell(
        `${named(readings)} ${readings.length === 1 ? 'is' : 'are'} set aside; the working is done again without.`,
        () => {
          undo.act()
        },
      )
      then()
    })
  }

  function takeBack(reading: Row): void {
    setAside.act({ readings: [reading.id], reason: null }, () => {
      tell(`${named([reading])} counts again.`, () => {
        undo.act()
      })
    })
  }

  return { foresee, putAside, takeBack, error: setAside.error, isPending: setAside.isPending }
}
