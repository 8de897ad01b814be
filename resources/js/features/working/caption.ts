import type { Experiment, Working } from '../../lib/api/types'
import { fixed, volume } from '../../lib/format'

/** The caption a figure of a titration gets by itself: what is drawn, from what, and what was set aside and why. */
export function captionOf(experiment: Experiment, working: Working): string {
  const of = (symbol: string) => experiment.entries.find((entry) => entry.symbol === symbol)
  const titrant = of('c')
  const sample = of('V0')
  const strength = titrant?.value == null ? '' : `${fixed(titrant.value, 4)} ${titrant.unit} `
  const amount = sample?.value == null ? '' : `${volume(sample.value)} ${sample.unit} `
  const aside = working.readings.filter((reading) => reading.setAsideReason !== null)
  const hurried = working.readings.filter((reading) => !reading.wasSteady && reading.setAsideReason === null).length
  const asideText =
    aside.length === 0
      ? ''
      : `, ${aside.length} set aside (hollow, ${aside
          .map((reading) => `${volume(reading.volume)} mL: ${reading.setAsideReason ?? ''}`)
          .join('; ')})`
  const hurriedText = hurried === 0 ? '' : `, ${hurried} taken before steady`
  return (
    `Figure 1. pH (points) and derivative (lower panel) against volume of ${strength}${experiment.titrant} added to ` +
    `${amount}${experiment.sample}; run ${working.runNumber}, ${working.readings.length} readings${asideText}${hurriedText}.` +
    working.trustSentences.map((sentence) => ` ${sentence}`).join('')
  )
}
