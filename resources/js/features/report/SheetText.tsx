import { useEffect, useId, useState } from 'react'

interface SheetTextProps {
  title: string
  value: string
  placeholder: string
  onChange: (value: string) => void
}

const KEEP_AFTER_MS = 800

/** A part of the sheet in the teacher's own words, kept while it is typed. */
export function SheetText({ title, value, placeholder, onChange }: SheetTextProps) {
  const [text, setText] = useState(value)
  const [kept, setKept] = useState(value)
  const id = useId()

  useEffect(() => {
    if (text === kept) return
    const timer = setTimeout(() => {
      setKept(text)
      onChange(text)
    }, KEEP_AFTER_MS)
    return () => {
      clearTimeout(timer)
    }
  }, [text, kept, onChange])

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
        onBlur={() => {
          if (text !== kept) {
            setKept(text)
            onChange(text)
          }
        }}
      />
    </section>
  )
}
