import { useSyncExternalStore } from 'react'
import { ago } from '../../lib/ago'
import { saveStore } from '../../lib/saveState'
import { Note } from '../../ui/Note'
import { useNow } from '../../ui/useNow'

function useSaveState() {
  return useSyncExternalStore(saveStore.subscribe, saveStore.snapshot)
}

/** In the top line of every page: that something is not kept yet and is tried again. */
export function StillTrying() {
  if (useSaveState().status !== 'waiting') return null
  return (
    <span role="alert" className="amber text-sm font-semibold whitespace-nowrap">
      Not kept yet, trying again …
    </span>
  )
}

/** Below the top line of every page: what was not kept, and why, until somebody has read it. */
export function NotKept() {
  const state = useSaveState()
  if (state.status !== 'failed') return null
  return (
    <div className="no-print px-5 pt-3">
      <Note tone="red" role="alert">
        <strong>Not kept.</strong> {state.sentence}
        <button
          type="button"
          className="word-button ml-3"
          onClick={() => {
            saveStore.forgive()
          }}
        >
          I know
        </button>
      </Note>
    </div>
  )
}

/** "Kept 2 s ago": where everything is saved as it happens, a teacher wants to see that it was. */
export function SaveStateText({ since }: { since: Date }) {
  const state = useSaveState()
  const now = useNow(1000)
  if (state.status === 'waiting') return <StillTrying />
  if (state.status === 'failed')
    return <span className="text-error text-sm font-semibold whitespace-nowrap">Not kept</span>
  const text = state.status === 'keeping' ? 'Keeping …' : `Kept ${ago(state.status === 'kept' ? state.at : since, now)}`
  return <span className="quiet text-sm whitespace-nowrap">{text}</span>
}
