import { fixed } from '../../lib/format'
import { shownRaw } from '../../lib/probes/shown'
import { Waiting } from '../../ui/Waiting'
import { standardName, standardValue } from '../calibration/standardWords'
import { useCalibration } from '../calibration/useCalibration'

const WIDTH = 120
const HEIGHT = 22

/** The raw values of each standard, as they were read. */
export function ReadingsOfCalibration({ calibrationId }: { calibrationId: number }) {
  const calibration = useCalibration(calibrationId)
  if (calibration.data === undefined) return <Waiting what="the raw values" />
  const { rawUnit } = calibration.data.probe
  const decimals = rawUnit === 'V' ? 4 : 2
  return (
    <table className="w-full text-left text-sm whitespace-nowrap [&_td]:py-0.5 [&_td]:pr-3 [&_th]:pr-3">
      <thead>
        <tr>
          <th scope="col">Standard</th>
          <th scope="col">Value there</th>
          <th scope="col">Raw mean, scatter</th>
          <th scope="col">Off the line</th>
          <th scope="col">As it was read</th>
        </tr>
      </thead>
      <tbody>
        {calibration.data.standards.map((standard) => {
          const { reading } = standard
          if (reading === null) return null
          const raw = shownRaw(rawUnit, decimals, reading.raw)
          return (
            <tr key={standard.position}>
              <td>
                {standardName(standard)}
                {standard.lot === null ? '' : `, lot ${standard.lot}`}
                {standard.isExpired ? <span className="amber"> expired</span> : null}
              </td>
              <td>
                <span className="num">{standardValue(reading.value, standard.unit)}</span>{' '}
                <span className="quiet">at {fixed(reading.celsius, 1)} °C</span>
              </td>
              <td className="num">
                {raw.text}{' '}
                <span className="quiet">
                  {fixed(reading.scatter, decimals)} {raw.unit}
                </span>
              </td>
              <td className="num">{reading.off === null ? '—' : `${fixed(reading.off, decimals)} ${rawUnit}`}</td>
              <td>
                <Samples
                  values={reading.samples}
                  label={`${reading.sampleCount} raw values in ${standardName(standard)}`}
                />
                {reading.wasSteady ? null : (
                  <span className="amber block">
                    drifted {fixed(reading.driftPerMinute, decimals)} {rawUnit}/min
                  </span>
                )}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

function Samples({ values, label }: { values: readonly number[]; label: string }) {
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const points = values.map((value, i) => {
    const x = (i / Math.max(1, values.length - 1)) * WIDTH
    const y = high > low ? HEIGHT - 2 - ((value - low) / (high - low)) * (HEIGHT - 4) : HEIGHT / 2
    return `${x.toFixed(1)},${y.toFixed(1)}`
  })
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="h-5.5 w-30" role="img" aria-label={label}>
      <polyline points={points.join(' ')} fill="none" stroke="var(--color-primary)" strokeWidth="1" />
    </svg>
  )
}
