import { createContext, useCallback, useContext, useMemo, useRef, useState, type ReactNode } from 'react'

interface Notice {
  id: number
  text: string
  undo: (() => void) | null
}

interface Notices {
  /** Says what was done, with a way back. */
  tell: (text: string, undo?: () => void) => void
}

const Context = createContext<Notices | null>(null)

const SHOWN_MS = 12_000

/** Short messages at the foot of the page; the newest can be undone with Ctrl+Z too. */
export function NoticesProvider({ children }: { children: ReactNode }) {
  const [notice, setNotice] = useState<Notice | null>(null)
  const nextId = useRef(1)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)

  const tell = useCallback((text: string, undo?: () => void) => {
    const id = nextId.current++
    setNotice({ id, text, undo: undo ?? null })
    clearTimeout(timer.current)
    timer.current = setTimeout(() => {
      setNotice((shown) => (shown?.id === id ? null : shown))
    }, SHOWN_MS)
  }, [])
  const value = useMemo(() => ({ tell }), [tell])

  function handleUndo() {
    notice?.undo?.()
    setNotice(null)
  }

  return (
    <Context.Provider value={value}>
      <div
        className="contents"
        onKeyDown={(event) => {
          const isField = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement
          if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !isField && notice?.undo) {
            event.preventDefault()
            handleUndo()
          }
        }}
      >
        {children}
      </div>
      <div role="status" aria-live="polite" className="no-print fixed bottom-14 left-1/2 z-40 -translate-x-1/2">
        {notice && (
          <div className="panel flex items-center gap-4 px-4 py-2 shadow-md">
            <span>{notice.text}</span>
            {notice.undo && (
              <button type="button" className="word-button" onClick={handleUndo}>
                Undo
              </button>
            )}
          </div>
        )}
      </div>
    </Context.Provider>
  )
}

export function useNotices(): Notices {
  const notices = useContext(Context)
  if (notices === null) throw new Error('useNotices needs a NoticesProvider above it.')
  return notices
}
