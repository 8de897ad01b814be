import type { LiveProbe, Probe, Trust } from '../api/types'
import { fixed, signed } from '../format'

export interface Shown {
  readonly text: string
  readonly unit: string
}

const LARGE_MICROSIEMENS = 10_000

/** A value of a probe's quantity with its unit, as it is read from the back row. */
export function shownQuantity(probe: Pick<Probe, 'kind' | 'unit' | 'decimals'>, value: number): Shown {
  if (probe.unit === 'µS/cm' && Math.abs(value) >= LARGE_MICROSIEMENS)
    return { text: fixed(value / 1000, 2), unit: 'mS/cm' }
  return { text: fixed(value, probe.decimals), unit: probe.unit }
}

/** A raw signal with its unit; voltages can be either sign and say so. */
export function shownRaw(rawUnit: string, rawDecimals: number, raw: number): Shown {
  return { text: rawUnit === 'mV' ? signed(raw, rawDecimals) : fixed(raw, rawDecimals), unit: rawUnit }
}

/** What a card shows: the quantity, or the raw signal while it is being calibrated or has no quantity yet. */
export function shownOf(probe: Probe, live: LiveProbe | null, shows: 'raw' | 'value'): Shown | null {
  if (live?.raw == null) return null
  return shows === 'value' && live.value !== null
    ? shownQuantity(probe, live.value)
    : shownRaw(probe.rawUnit, probe.rawDecimals, live.raw)
}

export const TRUST_WORDS: Readonly<Record<Trust, string>> = {
  good: 'ready',
  factory: 'ready',
  fair: 'fair',
  poor: 'poor',
  old: 'old',
  missing: 'never calibrated',
  borrowed: 'borrowed line',
}
