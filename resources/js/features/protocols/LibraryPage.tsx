import { Upload } from 'lucide-react'
import { useId, useRef, useState } from 'react'
import type { Bench, Protocol } from '../../lib/api/types'
import { Note } from '../../ui/Note'
import { ProblemNote } from '../../ui/ProblemNote'
import { useNotices } from '../../ui/notices'
import { Waiting } from '../../ui/Waiting'
import { useBenches } from '../probes/useBenches'
import { BeginDialog } from './BeginDialog'
import { Drawing } from './Drawing'
import { benchesFor, shelves } from './library'
import { useOwnProtocols, useProtocols } from './useProtocols'

/** Begin: what is to be found out, and which bench of this room can do it now. */
export function LibraryPage() {
  const protocols = useProtocols()
  const benches = useBenches()
  const [sought, setSought] = useState('')
  const [chosen, setChosen] = useState<Protocol | null>(null)
  const file = useRef<HTMLInputElement>(null)
  const { read, remove } = useOwnProtocols()
  const { tell } = useNotices()
  const searchId = useId()
  const shown = shelves(protocols.data ?? [], sought)

  return (
    <>
      <title>Begin · Welkion</title>
      <main className="mx-auto min-h-0 w-full max-w-5xl flex-1 p-5 lg:overflow-y-auto">
        <div className="mt-2 mb-4 flex flex-wrap items-center gap-3">
          <h1 className="flex-1 text-2xl font-semibold">What do you want to find out?</h1>
          <label htmlFor={searchId} className="sr-only">
            Search protocols
          </label>
          <input
            id={searchId}
            type="search"
            className="input bg-base-100 w-60"
            placeholder="search, as gas or acid"
            value={sought}
            onChange={(event) => {
              setSought(event.target.value)
            }}
          />
          <button
            type="button"
            className="btn btn-outline"
            disabled={read.isPending}
            onClick={() => file.current?.click()}
          >
            <Upload size={16} aria-hidden="true" /> Read a protocol file
          </button>
          <input
            ref={file}
            type="file"
            accept=".json,application/json"
            className="hidden"
            aria-label="Protocol file"
            onChange={(event) => {
              const [picked] = event.target.files ?? []
              event.target.value = ''
              if (picked === undefined) return
              read.mutate(picked, {
                onSuccess: (protocol) => {
                  tell(`“${protocol.title}” is among your own protocols now.`)
                },
              })
            }}
          />
        </div>
        <ProblemNote problem={protocols.error ?? read.error ?? remove.error} />
        {protocols.isPending ? <Waiting what="the protocols" /> : null}
        {protocols.isSuccess && shown.length === 0 ? (
          <Note>No protocol holds “{sought}”. A blank notebook takes anything.</Note>
        ) : null}
        {shown.map((shelf) => (
          <section key={shelf.title} aria-label={shelf.title} className="mb-5">
            <h2 className="mb-2 text-lg font-semibold">{shelf.title}</h2>
            <ul className="grid gap-3 md:grid-cols-2">
              {shelf.protocols.map((protocol) => (
                <Card
                  key={protocol.key}
                  protocol={protocol}
                  able={benchesFor(protocol, benches.data ?? [])}
                  onChoose={() => {
                    setChosen(protocol)
                  }}
                  onRemove={() => {
                    remove.mutate(protocol.key)
                  }}
                />
              ))}
            </ul>
          </section>
        ))}
      </main>
      {chosen === null ? null : (
        <BeginDialog
          protocol={chosen}
          benches={benches.data ?? []}
          onClose={() => {
            setChosen(null)
          }}
        />
      )}
    </>
  )
}

interface CardProps {
  protocol: Protocol
  able: readonly Bench[]
  onChoose: () => void
  onRemove: () => void
}

function Card({ protocol, able, onChoose, onRemove }: CardProps) {
  const needed = protocol.roles
    .filter(({ isNeeded }) => isNeeded)
    .map(({ name }) => name.toLowerCase().replace(/^ph /, 'pH '))
  return (
    <li className="panel hover:border-primary flex gap-4 p-4">
      <span className="text-primary pt-1">
        <Drawing name={protocol.picture} />
      </span>
      <div className="flex min-w-0 flex-1 flex-col gap-1">
        <h3 className="text-lg font-semibold">
          <button type="button" className="cursor-pointer text-left hover:underline" onClick={onChoose}>
            {protocol.title}
          </button>
        </h3>
        <p>{protocol.sentence}</p>
        <p className="quiet text-sm">
          {needed.length === 0 ? 'no probe needed' : needed.join(', ')}
          {protocol.minutes === 0 ? '' : ` · about ${protocol.minutes} min`}
        </p>
        <p className="mt-auto flex items-baseline justify-between gap-3 text-sm">
          {needed.length === 0 ? (
            <span />
          ) : able.length === 0 ? (
            <span className="amber">no bench has these probes plugged in now</span>
          ) : (
            <span className="text-success">ready at {able.map(({ name }) => name).join(', ')}</span>
          )}
          {protocol.isOwn ? (
            <button
              type="button"
              className="word-button font-normal!"
              aria-label={`Remove the protocol ${protocol.title}`}
              onClick={onRemove}
            >
              remove
            </button>
          ) : null}
          <a
            className="word-button font-normal!"
            href={`/api/protocols/${protocol.key}`}
            download
            aria-label={`Save the protocol ${protocol.title} as a file`}
          >
            as a file
          </a>
        </p>
      </div>
    </li>
  )
}
