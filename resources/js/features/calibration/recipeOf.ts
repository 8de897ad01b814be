import type { Probe } from '../../lib/api/types'

/** The way a probe was calibrated last, or the usual one. */
export function recipeOf(probe: Pick<Probe, 'recipes' | 'calibration'>): string {
  const last = probe.recipes.find(({ title }) => title === probe.calibration?.recipe)
  return (probe.calibration?.origin === 'read' ? last : undefined)?.key ?? probe.recipes[0]?.key ?? ''
}
