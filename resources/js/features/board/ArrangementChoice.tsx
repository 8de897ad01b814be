import type { Board } from '../../lib/api/types'
import { arranged } from '../../lib/board/tiles'

interface ArrangementChoiceProps {
  board: Board
  onArrange: (board: Board) => void
}

/** What each arrangement looks like: rectangles in a picture of 24 by 16. */
const PICTURES: [Board['arrangement'], string, string][] = [
  ['one', 'One tile', 'M1 1h22v14H1z'],
  ['two', 'Two side by side', 'M1 1h10v14H1z M13 1h10v14H13z'],
  ['three', 'One large, two at its right', 'M1 1h13v14H1z M16 1h7v7h-7z M16 10h7v5h-7z'],
  ['four', 'Four tiles', 'M1 1h13v7H1z M16 1h7v7h-7z M1 10h13v5H1z M16 10h7v5h-7z'],
]

/** The ready arrangements; what is on the board keeps its order. */
export function ArrangementChoice({ board, onArrange }: ArrangementChoiceProps) {
  return (
    <span role="group" aria-label="Arrangement" className="flex gap-1">
      {PICTURES.map(([arrangement, name, path]) => (
        <button
          key={arrangement}
          type="button"
          className={`btn btn-sm ${board.arrangement === arrangement ? 'btn-primary' : 'btn-ghost'}`}
          aria-pressed={board.arrangement === arrangement}
          aria-label={name}
          title={name}
          onClick={() => {
            onArrange(arranged(board, arrangement))
          }}
        >
          <svg viewBox="0 0 24 16" className="h-4 w-6" aria-hidden="true">
            <path d={path} fill="none" stroke="currentColor" strokeWidth="1.5" />
          </svg>
        </button>
      ))}
    </span>
  )
}
