import { dayAndTime } from '../../lib/ago'
import type { Probe } from '../../lib/api/types'
import { figureText } from '../../lib/probes/figureText'
import { TRUST_WORDS } from '../../lib/probes/shown'
import { useNow } from '../../ui/useNow'

/** Whether a probe can be trusted, in a few words: what its calibration came to and how old it is. */
export function TrustText({ probe }: { probe: Probe }) {
  const now = useNow(30_000)
  const { calibration, zero } = probe
  const zeroText = zero === null ? '' : ` · zeroed ${dayAndTime(new Date(zero.takenAt), now)}`
  const kept = calibration?.keptAt == null ? null : new Date(calibration.keptAt)
  const [figure] = calibration?.keyFigures ?? []
  if (calibration === null || kept === null || calibration.origin === 'factory') {
    return (
      <span className={probe.isReady ? undefined : 'amber font-semibold'}>
        {probe.trust === 'missing' && calibration === null ? TRUST_WORDS.missing : 'factory line'}
        {zeroText}
      </span>
    )
  }
  const judged = probe.trust === 'good' ? '' : `${TRUST_WORDS[probe.trust]} · `
  return (
    <span className={probe.isReady ? undefined : 'amber'}>
      {judged}
      {figure === undefined ? '' : `${figureText(figure)} · `}
      {dayAndTime(kept, now)}
      {zeroText}
    </span>
  )
}
