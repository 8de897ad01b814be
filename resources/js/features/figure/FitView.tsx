import { useKey } from '../../ui/useKey'
import type { FigureCanvas } from './FigureCanvas'

/** Leads back to all of a figure, whatever is seen of it. */
export function FitView({ canvas }: { canvas: FigureCanvas | null }) {
  useKey('f', () => canvas?.view.fit())
  return (
    <button
      type="button"
      className="word-button text-sm font-normal!"
      title="Wheel or two fingers: nearer. Pulled by its axis, or with Shift: moved."
      onClick={() => canvas?.view.fit()}
    >
      Fit view <kbd className="key">F</kbd>
    </button>
  )
}
