import { useLayoutEffect, useRef } from 'react'

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  )
}

/** Runs an action on a single key, unless a person is typing, holds a modifier, or a dialog is open. */
export function useKey(key: string, action: (() => void) | null): void {
  const latest = useRef(action)
  useLayoutEffect(() => {
    latest.current = action
  })
  // Once it is seen it is heard: an effect of its own would begin after the drawing of a figure.
  useLayoutEffect(() => {
    function handleKeyDown(event: KeyboardEvent) {
      if (event.key.toLowerCase() !== key.toLowerCase() || event.repeat) return
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
      if (document.querySelector('dialog[open]') !== null || latest.current === null) return
      event.preventDefault()
      latest.current()
    }
    window.addEventListener('keydown', handleKeyDown)
    return () => {
      window.removeEventListener('keydown', handleKeyDown)
    }
  }, [key])
}
