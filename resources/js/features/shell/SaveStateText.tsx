import { useSyncExternalStore } from 'react'
import { ago } from '../../lib/ago'
import { saveStore } from '../../lib/saveState'
import { useNow } from '../../ui/useNow'

/** "Kept 2 s ago": where everything is saved as it happens, a teacher wants to see that it was. */
export function SaveStateText({ since }: { since: Date }) {
  const state = useSyncExternalStore(saveStore.subscribe, saveStore.snapshot)
  const now = useNow(1000)
  if (state.status === 'failed') {
    return (
      <span role="alert" className="text-error text-sm font-semibold">
        Not kept yet: {state.sentence}
      </span>
    )
  }
  const text = state.status === 'keeping' ? 'Keeping …' : `Kept ${ago(state.status === 'kept' ? state.at : since, now)}`
  return <span className="quiet text-sm whitespace-nowrap">{text}</span>
}
