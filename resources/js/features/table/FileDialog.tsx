import { useEffect, useRef, useState } from 'react'
import type { Notebook, RunSummary, TakenFile } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { ProblemNote } from '../../ui/ProblemNote'
import { FilePreview } from './FilePreview'
import { FileReading } from './FileReading'
import { FilesTaken } from './FilesTaken'
import { useTableFile } from './useTableFile'

interface FileDialogProps {
  notebook: Notebook
  /** The run on screen, that can get further rows. */
  run: RunSummary
  /** What was pasted or dropped already. */
  source: File | string | null
  onTaken: (run: number) => void
  onClose: () => void
}

/** Numbers from a file or a pasted text: first what is understood of them, then where they go. */
export function FileDialog({ notebook, run, source, onTaken, onClose }: FileDialogProps) {
  const { preview, taken, keep, understand, take, cancel } = useTableFile(notebook.id)
  const [text, setText] = useState('')
  const [again, setAgain] = useState<TakenFile | null>(null)
  const begun = useRef(false)
  const { mutate } = keep
  useEffect(() => {
    if (source === null || begun.current) return
    begun.current = true
    mutate(source)
  }, [source, mutate])

  function handleClose() {
    cancel()
    onClose()
  }

  return (
    <Dialog title="Numbers from a file or a pasted text" isWide onClose={handleClose}>
      {preview !== null ? (
        <FilePreview
          key={`${preview.id} ${JSON.stringify(preview.hints)}`}
          notebook={notebook}
          run={run}
          preview={preview}
          isPending={understand.isPending || take.isPending}
          onHints={(hints) => {
            understand.mutate({ file: preview.id, ...hints })
          }}
          onTake={(wanted, runId, way) => {
            take.act({ preview, wanted, runId, way }, ({ made }) => {
              onTaken(runId ?? made ?? run.id)
            })
          }}
          onClose={handleClose}
        />
      ) : understand.isPending && again !== null ? (
        <FileReading name={again.name} bytes={again.bytes} onCancel={cancel} />
      ) : keep.isPending ? (
        <FileReading
          name={typeof keep.variables === 'string' ? 'the pasted text' : keep.variables.name}
          bytes={typeof keep.variables === 'string' ? null : keep.variables.size}
          onCancel={cancel}
        />
      ) : (
        <div className="flex flex-col gap-3">
          <label className="flex flex-col gap-1">
            <span>Paste rows from a spreadsheet or a text</span>
            <textarea
              className="textarea num bg-base-100 h-40 w-full text-sm"
              value={text}
              autoFocus
              onChange={(event) => {
                setText(event.target.value)
              }}
            />
          </label>
          <div className="flex flex-wrap items-center gap-4">
            <button
              type="button"
              className="btn btn-primary btn-sm"
              disabled={text.trim() === ''}
              onClick={() => {
                mutate(text)
              }}
            >
              Look at it
            </button>
            <label className="flex items-center gap-2">
              <span className="quiet">or choose a file</span>
              <input
                type="file"
                className="file-input file-input-sm"
                accept=".csv,.tsv,.txt,.dat,text/*"
                onChange={(event) => {
                  const [file] = event.target.files ?? []
                  if (file !== undefined) mutate(file)
                }}
              />
            </label>
            <span className="flex-1" />
            <button type="button" className="btn btn-ghost btn-sm" onClick={onClose}>
              Cancel
            </button>
          </div>
          <FilesTaken
            files={taken}
            onLook={(file) => {
              setAgain(file)
              understand.mutate({ file: file.id, ...file.hints })
            }}
          />
        </div>
      )}
      <ProblemNote problem={keep.error ?? understand.error ?? take.error} />
    </Dialog>
  )
}
