import { useSyncExternalStore } from 'react'
import { ago } from '../../lib/ago'
import { saveStore } from '../../lib/saveState'
import { useNow } from '../../ui/useNow'

/** What has not been kept yet, if anything: for pages where nobody watches it otherwise. */
export function NotKept() {
  const state = useSyncExternalStore(saveStore.subscribe, saveStore.snapshot)
  if (state.status !== 'failed' && state.status !== 'waiting') return null
  return (
    <span role="alert" className={`text-sm font-semibold ${state.status === 'failed' ? 'text-error' : 'amber'}`}>
      {state.status === 'failed' ? `Not kept yet: ${state.sentence}` : 'Not kept yet, trying again …'}
      {state.status === 'failed' ? (
        <button
          type="button"
          className="word-button ml-2 font-normal!"
          onClick={() => {
            saveStore.forgive()
          }}
        >
          I know
        </button>
      ) : null}
    </span>
  )
}

/** "Kept 2 s ago": where everything is saved as it happens, a teacher wants to see that it was. */
export function SaveStateText({ since }: { since: Date }) {
  const state = useSyncExternalStore(saveStore.subscribe, saveStore.snapshot)
  const now = useNow(1000)
  if (state.status === 'failed' || state.status === 'waiting') return <NotKept />
  const text = state.status === 'keeping' ? 'Keeping …' : `Kept ${ago(state.status === 'kept' ? state.at : since, now)}`
  return <span className="quiet text-sm whitespace-nowrap">{text}</span>
}
