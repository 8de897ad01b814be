import type { LiveBench } from '../../lib/api/types'
import { Note } from '../../ui/Note'
import { isToldWhy } from './BenchNotes'

const CHECK_SWITCH = 'Check that it is switched on; what was recorded is kept, and it goes on by itself.'

/** A bench that is not connected, and what to do. */
export function BenchLost({ benchName, live }: { benchName: string; live: LiveBench }) {
  return (
    <Note tone="amber" role="alert">
      <strong>Bench {benchName} is not connected.</strong>{' '}
      {isToldWhy(live) ? 'What was recorded is kept.' : CHECK_SWITCH}
    </Note>
  )
}
