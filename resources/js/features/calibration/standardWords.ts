import type { Standard, StandardRow, StandardsChoice } from '../../lib/api/types'
import { fixed } from '../../lib/format'

/** What stands on it, with what it measures where the label does not say that: "pH 7.00", "2 kg", "melting ice". */
export function standardName(standard: Pick<StandardRow, 'label' | 'unit'>): string {
  return standard.unit === 'pH' && /^\d/.test(standard.label) ? `pH ${standard.label}` : standard.label
}

const DECIMALS: Readonly<Record<string, number>> = { pH: 2, '°C': 1, kPa: 1, N: 2, mL: 1, mV: 2 }

/** A value of the calibrated quantity with its unit, as a standard has it. */
export function standardValue(value: number, unit: string): string {
  if (unit === 'µS/cm')
    return value >= 10_000 ? `${fixed(value / 1000, 2)} mS/cm` : `${fixed(value, value < 500 ? 1 : 0)} µS/cm`
  return unit === 'pH' ? fixed(value, 2) : `${fixed(value, DECIMALS[unit] ?? 2)} ${unit}`
}

/** The ± of such a value, in the unit the value is told in. */
export function uncertaintyBeside(value: number, uncertainty: number, unit: string): string {
  const scaled = unit === 'µS/cm' && value >= 10_000 ? uncertainty / 1000 : uncertainty
  return String(Number(scaled.toPrecision(2)))
}

/** A standard as it is asked for. */
export function choiceOf(row: StandardRow): StandardsChoice[number] {
  if (row.shelfId !== null) return { shelfId: row.shelfId }
  const { source, code, value, uncertainty } = row
  // A typed standard without a name of its own is named after its value, which may change.
  const label = source === 'typed' && /^\d/.test(row.label) ? '' : row.label
  return { source, code, label, value, uncertainty, isExample: row.isExample ?? false }
}

/** The same standards with another value typed for one of them. */
export function withTyped(standards: readonly Standard[], position: number, value: number): StandardsChoice {
  return standards.map((standard) =>
    standard.position === position ? { ...choiceOf(standard), value, isExample: false } : choiceOf(standard),
  )
}
