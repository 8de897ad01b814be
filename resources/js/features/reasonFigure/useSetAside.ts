import type { Notebook, Row, RunRows } from '../../lib/api/types'
import { giveReason } from '../../lib/notebook/giveReason'
import { readingsName } from '../../lib/notebook/labels'
import { useNotices } from '../../ui/notices'
import { useRunActions, useUndo, type Within } from '../notebook'

/** Stands for a reason while somebody still thinks of it. */
const NOT_SAID = 'not said yet'

/** As the server has it: shorter ones are refused. */
const SHORTEST_REASON = 3

export interface Chosen {
  readings: readonly Row[]
  /** Where a run has more rows than are known here: all that lie there. */
  within: Within | null
}

/** Setting readings aside and taking them back: each one change, with its undo. */
export function useSetAside(notebook: Notebook, rows: RunRows) {
  const { setAside } = useRunActions(rows.id, notebook.id)
  const { undo } = useUndo(notebook.id)
  const { tell } = useNotices()
  const named = (readings: readonly Row[]) =>
    readingsName(readings, notebook.columns).replace(/^[a-z]/, (letter) => letter.toUpperCase())

  const asked = ({ readings, within }: Chosen) =>
    within === null ? { readings: readings.map(({ id }) => id) } : { within }

  /** Asked while somebody says why, what comes of it stands there at the press. */
  function foresee(chosen: Chosen): void {
    const wanted = asked(chosen)
    setAside.foresee({ ...wanted, reason: NOT_SAID }, (change, { reason: said, ...real }) => {
      const reason = said?.trim() ?? ''
      return reason.length < SHORTEST_REASON || JSON.stringify(real) !== JSON.stringify(wanted)
        ? null
        : giveReason(change, NOT_SAID, reason)
    })
  }

  function putAside(chosen: Chosen, reason: string, then: () => void): void {
    const { readings, within } = chosen
    setAside.act({ ...asked(chosen), reason }, () => {
      const what = within === null ? named(readings) : 'The rows of this span'
      tell(
        `${what} ${within === null && readings.length === 1 ? 'is' : 'are'} set aside; the working is done again without.`,
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
