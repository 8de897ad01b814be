import { Dialog } from '../../ui/Dialog'
import { DialogDone } from '../../ui/DialogActions'

const KEYS = [
  ['T', 'Take or accept the reading'],
  ['K', 'Keep the calibration'],
  ['S', 'Start, finish or stop the run'],
  ['M', 'Drop a marker; begin a run that waits'],
  ['F', 'Fit the view to the data'],
  ['+ −', 'Draw the figure nearer or further, once it has the focus; as the wheel and two fingers do'],
  ['Page Up Page Down', 'Move along it; a hand pulls it by its axes, or anywhere with Shift'],
  ['← →', 'Move the picked point, once the figure has the focus'],
  ['Shift + ← →', 'Stretch the span'],
  ['Esc', 'Clear point and span; close a dialog'],
  ['/', 'Add a line of working'],
  ['Ctrl + Z', 'Undo; with Shift, redo'],
  ['?', 'This list'],
] as const

export function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
        {KEYS.map(([key, meaning]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="key">{key}</kbd>
            </dt>
            <dd>{meaning}</dd>
          </div>
        ))}
      </dl>
      <DialogDone onDone={onClose} />
    </Dialog>
  )
}
