import { useState } from 'react'
import { useNow } from '../../ui/useNow'

interface FileReadingProps {
  name: string
  bytes: number | null
  onCancel: () => void
}

/** While a file is on its way and read: what it is, how long it has taken, and the way out. */
export function FileReading({ name, bytes, onCancel }: FileReadingProps) {
  const [begun] = useState(() => new Date())
  const seconds = Math.max(0, Math.floor((useNow(500).getTime() - begun.getTime()) / 1000))
  return (
    <div role="status" className="flex flex-col gap-3 py-4">
      <p>
        Reading <strong>{name}</strong>
        {bytes === null ? '' : `, ${sizeWords(bytes)}`} … {seconds === 0 ? '' : `${seconds} s`}
      </p>
      <p className="flex items-baseline gap-4">
        <button type="button" className="btn btn-sm" onClick={onCancel}>
          Cancel
        </button>
        <span className="quiet text-sm">Nothing is changed in the notebook before you take it.</span>
      </p>
    </div>
  )
}

export function sizeWords(bytes: number): string {
  if (bytes < 1000) return `${bytes} bytes`
  return bytes < 1e6 ? `${(bytes / 1000).toFixed(0)} kB` : `${(bytes / 1e6).toFixed(1)} MB`
}
