import { QRCodeSVG } from 'qrcode.react'
import type { BoardWatch } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { Dialog } from '../../ui/Dialog'
import { DialogDone } from '../../ui/DialogActions'
import { Note } from '../../ui/Note'
import { useWatchDoor } from './useWatch'

interface WatchDialogProps {
  experimentId: number
  watch: BoardWatch['watch']
  onClose: () => void
}

/** Addresses that mean this computer, wherever they are typed. */
const ONLY_HERE = /^(localhost|127\.|\[?::1)/

/** Opens the board to the devices of the class: a code to type, a picture to point a phone at. */
export function WatchDialog({ experimentId, watch, onClose }: WatchDialogProps) {
  const { open, close } = useWatchDoor(experimentId)
  return (
    <Dialog title="Watch on other devices" onClose={onClose}>
      <div className="flex flex-col gap-3">
        {watch === null ? (
          <>
            <p>
              Whoever has the code sees this board live on a phone or a laptop in the same network, without an account.
              Nobody can change anything. The code ends when you close the board, and after four hours by itself.
            </p>
            <button
              type="button"
              className="btn btn-primary self-start"
              disabled={open.isPending}
              onClick={() => {
                open.mutate()
              }}
            >
              Open the board
            </button>
          </>
        ) : (
          <>
            <p>
              Open <span className="num font-semibold">{location.host}/watch</span> and type
            </p>
            <p className="num text-center text-4xl font-bold tracking-wider">{watch.code}</p>
            <div className="self-center rounded bg-white p-3">
              <QRCodeSVG value={watchAddress(watch.code)} size={208} title={`Opens ${watchAddress(watch.code)}`} />
            </div>
            <p className="quiet text-center">
              {watch.onlookers === null ? '' : `${countOf(watch.onlookers, 'device')} watching · `}
              open until {new Date(watch.closesAt).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}
            </p>
            {ONLY_HERE.test(location.hostname) ? (
              <Note tone="amber">
                Other devices do not reach {location.hostname}. Open Welkion under the name or number of this computer
                in the network, then the picture leads there. How to let it listen there is told in docs/security.md.
              </Note>
            ) : null}
            <button
              type="button"
              className="btn self-start"
              disabled={close.isPending}
              onClick={() => {
                close.mutate()
              }}
            >
              Close the board
            </button>
          </>
        )}
      </div>
      <DialogDone problem={open.error ?? close.error} onDone={onClose} />
    </Dialog>
  )
}

function watchAddress(code: string): string {
  return `${location.origin}/watch/${code}`
}
