import type { TriedRelation } from '../../lib/api/types'
import { typeset } from '../../lib/format'
import { measuredText, unitBehind } from '../../lib/notebook/labels'
import { NumberField } from '../../ui/NumberField'

interface ConstantsTableProps {
  told: TriedRelation
  /** Values of those that are known, by name. */
  held: Readonly<Record<string, number>>
  onHeld: (held: Record<string, number>) => void
}

/** Each constant with its standard uncertainty, its interval, and whether it is known and not fitted. */
export function ConstantsTable({ told, held, onHeld }: ConstantsTableProps) {
  return (
    <table className="w-full text-left text-sm">
      <thead className="quiet">
        <tr>
          <th scope="col" className="pr-3 font-normal">
            Constant
          </th>
          <th scope="col" className="pr-3 font-normal">
            Value ±
          </th>
          <th scope="col" className="hidden pr-3 font-normal sm:table-cell">
            95 %, by scatter
          </th>
          <th scope="col" className="font-normal">
            Known
          </th>
        </tr>
      </thead>
      <tbody className="divide-base-300 divide-y">
        {told.constants.map((name) => {
          const value = told.values.find((one) => one.name === name)
          const measured = value?.measured
          const interval = told.goodness?.intervals.find((one) => one.name === name)
          const known = held[name]
          const others = Object.fromEntries(Object.entries(held).filter(([one]) => one !== name))
          return (
            <tr key={name}>
              <th scope="row" className="num py-1 pr-3">
                {name}
                {value === undefined || value.words === '' ? null : (
                  <span className="quiet block max-w-28 font-sans text-xs leading-tight font-normal">
                    {value.words}
                  </span>
                )}
              </th>
              <td className="num py-1 pr-3 whitespace-nowrap" data-testid={`constant-${name}`}>
                {measured === undefined ? '—' : measuredText(measured)}
              </td>
              <td className="num quiet hidden py-1 pr-3 whitespace-nowrap sm:table-cell">
                {interval === undefined || known !== undefined
                  ? '—'
                  : `${typeset(interval.shownLow)} to ${typeset(interval.shownHigh)}`}
              </td>
              <td className="py-1">
                <span className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    aria-label={`${name} is known`}
                    checked={known !== undefined}
                    onChange={() => {
                      onHeld(known === undefined ? { ...held, [name]: Number(measured?.shownValue ?? 0) } : others)
                    }}
                  />
                  {known === undefined ? null : (
                    <NumberField
                      label={`Known value of ${name}`}
                      hideLabel
                      value={known}
                      unit={unitBehind(measured?.unit ?? '')}
                      widthClass="w-20"
                      onChange={(value) => {
                        if (value !== null) onHeld({ ...held, [name]: value })
                      }}
                    />
                  )}
                </span>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
