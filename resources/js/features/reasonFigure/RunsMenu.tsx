import { useState } from 'react'
import type { RunSummary } from '../../lib/api/types'

interface RunsMenuProps {
  runs: readonly RunSummary[]
  current: number
  shown: readonly number[]
  onRun: (id: number) => void
  onShow: (ids: number[]) => void
}

/** Which run is in hand, and which others are drawn with it. */
export function RunsMenu({ runs, current, shown, onRun, onShow }: RunsMenuProps) {
  const [isOpen, setIsOpen] = useState(false)
  const name = runs.find(({ id }) => id === current)?.name ?? ''
  return (
    <span
      className="relative text-sm"
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setIsOpen(false)
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') setIsOpen(false)
      }}
    >
      <button
        type="button"
        className="word-button"
        aria-expanded={isOpen}
        onClick={() => {
          setIsOpen(!isOpen)
        }}
      >
        runs: {name.replace(/^Run /, '')}
        {shown.length === 0 ? '' : ` + ${shown.length}`} ▾
      </button>
      {isOpen ? (
        <ul className="panel absolute right-0 z-20 max-h-96 w-60 overflow-y-auto py-1 shadow-md">
          {runs.length < 2 ? null : (
            <li className="flex gap-4 px-3 py-1">
              <button
                type="button"
                className="word-button"
                onClick={() => {
                  onShow(runs.map(({ id }) => id).filter((id) => id !== current))
                }}
              >
                all of them
              </button>
              <button
                type="button"
                className="word-button"
                onClick={() => {
                  onShow([])
                }}
              >
                only this one
              </button>
            </li>
          )}
          {runs.map((run) => (
            <li key={run.id} className="flex items-center gap-2 px-3 py-1">
              <button
                type="button"
                className={`flex-1 cursor-pointer text-left ${run.id === current ? 'font-bold' : ''}`}
                onClick={() => {
                  onRun(run.id)
                  setIsOpen(false)
                }}
              >
                {run.name}
                {run.condition === null ? '' : `, ${run.condition}`}
              </button>
              <label className="flex items-center gap-1">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  checked={run.id === current || shown.includes(run.id)}
                  disabled={run.id === current}
                  onChange={(event) => {
                    onShow(event.target.checked ? [...shown, run.id] : shown.filter((id) => id !== run.id))
                  }}
                />
                show
              </label>
            </li>
          ))}
        </ul>
      ) : null}
    </span>
  )
}
