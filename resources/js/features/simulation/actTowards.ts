import type { Act, Control } from '../../lib/api/types'
import { fixed } from '../../lib/format'

/** Less than this is nothing that hands could add. */
const NOTHING = 0.0005

/** The one act that sets the bench to the next step of a run: null where it has none; without an act where it is there already. */
export function actTowards(
  controls: readonly Control[],
  next: number | string | null,
): { words: string; act: Act | null } | null {
  if (next === null) return null
  const steps = controls.filter(({ isStep }) => isStep)
  if (typeof next === 'string') {
    const choice = steps.flatMap(({ choices }) => choices).find(({ words }) => words === next)
    return choice === undefined ? null : { words: `into ${next}`, act: choice.isOn === true ? null : choice.act }
  }
  const number = steps.find((control) => control.number !== null)?.number
  if (number == null) return null
  const { reached } = number
  const shown = `${fixed(next, 2)} ${number.unit}`
  if (reached === null) return { words: `${number.words} ${shown}`, act: { ...number.act, [number.field]: next } }
  const missing = next - reached
  return {
    words: `${number.words} up to ${shown}`,
    act: missing < NOTHING ? null : { ...number.act, [number.field]: Number(fixed(missing, 4).replace('−', '-')) },
  }
}
