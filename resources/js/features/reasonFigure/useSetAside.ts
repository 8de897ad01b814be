import type { Notebook, Row, RunRows } from '../../lib/api/types'
import { readingsName } from '../../lib/notebook/labels'
import { useNotices } from '../../ui/notices'
import { useRunActions, useUndo } from '../notebook'

/** Setting readings aside and taking them back: each one change, with its undo. */
export function useSetAside(notebook: Notebook, rows: RunRows) {
  const { setAside } = useRunActions(rows.id, notebook.id)
  const { undo } = useUndo(notebook.id)
  const { tell } = useNotices()
  const named = (readings: readonly Row[]) =>
    readingsName(readings, notebook.columns).replace(/^[a-z]/, (letter) => letter.toUpperCase())

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

  return { putAside, takeBack, error: setAside.error, isPending: setAside.isPending }
}
