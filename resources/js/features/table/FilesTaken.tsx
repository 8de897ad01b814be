import type { TakenFile } from '../../lib/api/types'
import { dayAndTime } from '../../lib/ago'
import { useNow } from '../../ui/useNow'
import { sizeWords } from './FileReading'

const MARKS = { point: 'with decimal points', comma: 'with decimal commas' } as const

interface FilesTakenProps {
  files: readonly TakenFile[]
  onLook: (file: TakenFile) => void
}

/** Files whose numbers were taken, kept as they came: one that was misunderstood is looked at again. */
export function FilesTaken({ files, onLook }: FilesTakenProps) {
  const now = useNow(60_000)
  if (files.length === 0) return null
  return (
    <section aria-labelledby="files-taken" className="border-base-300 border-t pt-3 text-sm">
      <h3 id="files-taken" className="quiet mb-1">
        Taken before, and kept as they came
      </h3>
      <ul className="flex max-h-40 flex-col gap-1 overflow-y-auto">
        {files.map((file) => (
          <li key={file.id} className="flex flex-wrap items-baseline gap-x-3">
            <strong>{file.name}</strong>
            <span className="quiet flex-1">
              {sizeWords(file.bytes)}, {dayAndTime(new Date(file.takenAt), now)}
              {file.hints.mark === null ? '' : `, read ${MARKS[file.hints.mark]}`}
            </span>
            <button
              type="button"
              className="word-button"
              aria-label={`look at ${file.name} again`}
              onClick={() => {
                onLook(file)
              }}
            >
              look at it again
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
