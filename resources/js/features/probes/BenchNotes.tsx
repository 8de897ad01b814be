import type { LiveBench } from '../../lib/api/types'
import { Note } from '../../ui/Note'

/** Its device was set aside, or fell silent: then it is not connected either, and it has been said why. */
export function isToldWhy(live: LiveBench): boolean {
  return live.notes.some(({ code }) => code === 'device-aside' || code === 'device-silent')
}

/** What must be known on every screen of a bench: that something is in danger, lost, or set aside for now. */
export function BenchNotes({ benchName, live }: { benchName: string; live: LiveBench | null }) {
  if (live === null || live.notes.length === 0) return null
  return (
    <div className="flex flex-col gap-2">
      {live.notes.map(({ code, tone, sentence }) => (
        <Note key={code} tone={tone} role={tone === 'red' ? 'alert' : 'status'}>
          <strong>Bench {benchName}.</strong> {sentence}
        </Note>
      ))}
    </div>
  )
}
