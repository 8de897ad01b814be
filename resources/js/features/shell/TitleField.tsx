import { useState } from 'react'
import type { Notebook } from '../../lib/api/types'
import { useExperimentChange } from '../notebook'

/** The title of the experiment; pressed, it can be written anew. */
export function TitleField({ notebook }: { notebook: Notebook }) {
  const change = useExperimentChange(notebook.id)
  const [text, setText] = useState<string | null>(null)

  function handleDone() {
    const title = text?.trim() ?? ''
    if (title !== '' && title !== notebook.title) change.act({ title })
    setText(null)
  }

  if (text === null) {
    return (
      <h1 className="min-w-0 flex-1 truncate font-semibold">
        <button
          type="button"
          className="max-w-full cursor-text truncate text-left"
          title="Press to rename"
          onClick={() => {
            setText(notebook.title)
          }}
        >
          {notebook.title}
        </button>
      </h1>
    )
  }
  return (
    <input
      className="input input-sm bg-base-100 min-w-0 flex-1 font-semibold"
      aria-label="Title of the experiment"
      value={text}
      maxLength={120}
      autoFocus
      onChange={(event) => {
        setText(event.target.value)
      }}
      onBlur={handleDone}
      onKeyDown={(event) => {
        if (event.key === 'Enter') handleDone()
        if (event.key === 'Escape') setText(null)
      }}
    />
  )
}
