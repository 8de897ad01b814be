import { useEffect, useLayoutEffect, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react'
import { flushSync } from 'react-dom'

interface CellInputProps {
  label: string
  text: string
  /** The same with every digit, to be mended. */
  whole: string
  isReadOnly: boolean
  placeholder: string
  /** Typed (null: as it was), and left by a key that says where to go on, or by going elsewhere (null). */
  onTyped: (text: string | null, event: KeyboardEvent | null) => void
  /** A key while nothing is being typed. */
  onKey: (event: KeyboardEvent<HTMLInputElement>) => void
  onCopy: (event: ClipboardEvent, isCut: boolean) => void
  onPaste: (event: ClipboardEvent) => void
}

/** Keys that end typing and lead on; while a text is being mended with F2 the arrows move within it. */
const LEADING = ['Enter', 'Tab', 'ArrowUp', 'ArrowDown']

/**
 * The cell in hand. It always holds the focus, so that a letter types over it at once and nothing else on the screen hears it;
 * its keys move through the table while nothing is being typed.
 */
export function CellInput({ label, text, whole, isReadOnly, placeholder, ...on }: CellInputProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const [isMending, setIsMending] = useState(false)
  const ref = useRef<HTMLInputElement>(null)
  useEffect(() => {
    ref.current?.focus({ preventScroll: true })
    // Clear of what stays in sight above and below.
    ref.current?.closest('td')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }, [])
  // Chosen as a whole, so that a letter types over it; also when what stands in it has become another meanwhile.
  const isIdle = typed === null
  useLayoutEffect(() => {
    if (isIdle) ref.current?.select()
  }, [text, isIdle])

  // A row that is scrolled out of sight takes its input with it, and nothing that was typed.
  const left = useRef<() => void>(() => undefined)
  useEffect(() => {
    left.current = () => {
      if (typed !== null && typed !== whole) on.onTyped(typed, null)
    }
  })
  useEffect(
    () => () => {
      left.current()
    },
    [],
  )

  function done(event: KeyboardEvent | null): void {
    const now = typed
    left.current = () => undefined
    setTyped(null)
    setIsMending(false)
    // What is as it was is not typed over.
    if (now !== null) on.onTyped(now === whole ? null : now, event)
  }

  function handleKeyDown(event: KeyboardEvent<HTMLInputElement>) {
    if (event.nativeEvent.isComposing) return
    if (typed === null && !isMending) {
      if (event.key === 'F2' && !isReadOnly) {
        event.preventDefault()
        // At once: the next letter belongs behind what stands there, and may come before the next frame.
        flushSync(() => {
          setIsMending(true)
          setTyped(whole)
        })
        ref.current?.setSelectionRange(whole.length, whole.length)
      } else on.onKey(event)
      return
    }
    if (event.key === 'Escape') {
      event.preventDefault()
      setTyped(null)
      setIsMending(false)
    } else if (LEADING.includes(event.key) && !event.altKey && !(isMending && event.key.startsWith('Arrow'))) {
      event.preventDefault()
      done(event)
    }
  }

  return (
    <input
      ref={ref}
      aria-label={label}
      data-idle={typed === null && !isMending ? '' : undefined}
      className="num placeholder:font-sans h-full w-full bg-transparent px-2 text-right outline-none"
      value={typed ?? text}
      placeholder={placeholder}
      readOnly={isReadOnly}
      tabIndex={-1}
      maxLength={200}
      autoComplete="off"
      spellCheck={false}
      onChange={(event) => {
        setTyped(event.target.value)
      }}
      onKeyDown={handleKeyDown}
      onDoubleClick={() => {
        if (!isReadOnly && typed === null) {
          setIsMending(true)
          setTyped(whole)
        }
      }}
      onBlur={() => {
        done(null)
      }}
      onCopy={(event) => {
        if (typed === null) on.onCopy(event, false)
      }}
      onCut={(event) => {
        if (typed === null) on.onCopy(event, true)
      }}
      onPaste={(event) => {
        if (typed === null) on.onPaste(event)
      }}
    />
  )
}
