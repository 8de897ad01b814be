import { useQueryClient } from '@tanstack/react-query'
import { Redo2, Undo2 } from 'lucide-react'
import { useEffect } from 'react'
import type { Notebook } from '../../lib/api/types'
import { sentenceOf } from '../../lib/api/problem'
import { useNotices } from '../../ui/notices'
import { inTurn, notebookKey, useUndo } from '../notebook'

/** Undo and redo of every change of the notebook: two buttons, and the keys everybody knows. */
export function UndoButtons({ notebook }: { notebook: Notebook }) {
  const { undo, redo } = useUndo(notebook.id)
  const { tell } = useNotices()
  const client = useQueryClient()
  const isBusy = undo.isPending || redo.isPending

  function handle(which: 'undo' | 'redo') {
    // What it takes back is known once all that was typed before has arrived.
    inTurn(notebook.id, async () => {
      const what = client.getQueryData<Notebook>(notebookKey(notebook.id))?.[which] ?? null
      if (what === null) return
      await (which === 'undo' ? undo : redo).ask()
      tell(which === 'undo' ? `Undone: ${what}.` : `Done again: ${what}.`)
    }).catch((error: unknown) => {
      tell(sentenceOf(error))
    })
  }

  useEffect(() => {
    function handleKeyDown(event: KeyboardEvent) {
      const { target } = event
      // A cell of a table that is in hand but not typed in leaves the keys to the notebook.
      const isField =
        (target instanceof HTMLInputElement && target.dataset.idle === undefined) ||
        target instanceof HTMLTextAreaElement
      if (event.defaultPrevented || isField || !(event.ctrlKey || event.metaKey) || event.altKey) return
      const key = event.key.toLowerCase()
      if (key !== 'z' && key !== 'y') return
      if (document.querySelector('dialog[open]') !== null) return
      event.preventDefault()
      handle(key === 'y' || event.shiftKey ? 'redo' : 'undo')
    }
    window.addEventListener('keydown', handleKeyDown)
    return () => {
      window.removeEventListener('keydown', handleKeyDown)
    }
  })

  return (
    <span className="flex">
      {(['undo', 'redo'] as const).map((which) => {
        const what = notebook[which]
        const Icon = which === 'undo' ? Undo2 : Redo2
        return (
          <button
            key={which}
            type="button"
            className="btn btn-sm btn-ghost px-1.5"
            disabled={what === null || isBusy}
            aria-label={what === null ? `Nothing to ${which}` : `${which === 'undo' ? 'Undo' : 'Redo'}: ${what}`}
            title={what === null ? `Nothing to ${which}` : `${which === 'undo' ? 'Undo' : 'Redo'}: ${what}`}
            onClick={() => {
              handle(which)
            }}
          >
            <Icon size={16} aria-hidden="true" />
          </button>
        )
      })}
    </span>
  )
}
