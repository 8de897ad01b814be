import { useEffect, useId, useRef, useState } from 'react'

interface SheetTextProps {
  title: string
  value: string
  placeholder: string
  onChange: (value: string) => void
}

const KEEP_AFTER_MS = 800

/** A part of the sheet in the teacher's own words, kept while it is typed, and when the page is left within its delay. */
export function SheetText({ title, value, placeholder, onChange }: SheetTextProps) {
  const [text, setText] = useState(value)
  const id = useId()
  const latest = useRef({ text: value, kept: value, onChange })
  useEffect(() => {
    latest.current = { ...latest.current, text, onChange }
  })

  function handleKeep() {
    const { text: now, kept, onChange: keep } = latest.current
    if (now === kept) return
    latest.current.kept = now
    keep(now)
  }

  useEffect(() => {
    if (text === latest.current.kept) return
    const timer = setTimeout(handleKeep, KEEP_AFTER_MS)
    return () => {
      clearTimeout(timer)
    }
  }, [text])

  useEffect(() => {
    const handleLeave = handleKeep
    window.addEventListener('pagehide', handleLeave)
    return () => {
      window.removeEventListener('pagehide', handleLeave)
      handleKeep()
    }
  }, [])

  return (
    <section>
      <h3 className="mt-5 mb-1 text-lg font-semibold">
        <label htmlFor={id}>{title}</label>
      </h3>
      <textarea
        id={id}
        className="hover:border-base-300 focus:border-primary -mx-2 field-sizing-content w-full resize-none rounded-md border border-transparent px-2 py-1 print:placeholder:text-transparent"
        rows={2}
        value={text}
        placeholder={placeholder}
        maxLength={8000}
        onChange={(event) => {
          setText(event.target.value)
        }}
        onBlur={handleKeep}
      />
    </section>
  )
}
