import { useState } from 'react'
import type { Calibration, CalibrationSettings } from '../../lib/api/types'
import { fixed } from '../../lib/format'
import { NumberField } from '../../ui/NumberField'

interface GivenProps {
  calibration: Calibration
  onChange: (settings: CalibrationSettings) => void
}

/** What must be known besides the standards: the barometer, the bore, the temperature they have. */
export function Given({ calibration, onChange }: GivenProps) {
  const { settings, recipe, probe } = calibration
  const isOpen = calibration.state === 'open'
  const dependsOnTemperature = probe.kind === 'ph-electrode' || probe.kind === 'conductivity-cell'
  if (!recipe.needsBarometer && !recipe.needsBore && !dependsOnTemperature) return null
  if (!isOpen) return <GivenWords calibration={calibration} />
  const isBarometerTyped = settings.barometerKpa != null
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-2">
      {recipe.needsBarometer ? (
        <div>
          <NumberField
            label="Barometer, here and now"
            unit="kPa"
            value={settings.barometerKpa ?? null}
            allowBlank
            onChange={(barometerKpa) => {
              onChange({ barometerKpa })
            }}
          />
          {isBarometerTyped ? null : <p className="amber text-sm">Type it: until then 101.325 kPa is taken.</p>}
        </div>
      ) : null}
      {recipe.needsBore ? <Bore settings={settings} onChange={onChange} /> : null}
      {dependsOnTemperature ? <Temperature calibration={calibration} onChange={onChange} /> : null}
    </div>
  )
}

function Bore({
  settings,
  onChange,
}: {
  settings: CalibrationSettings
  onChange: (settings: CalibrationSettings) => void
}) {
  return (
    <>
      <NumberField
        label="Inner diameter"
        unit="mm"
        value={settings.boreMm ?? null}
        widthClass="w-18"
        onChange={(boreMm) => {
          onChange({ boreMm })
        }}
      />
      <NumberField
        label="±"
        unit="mm"
        value={settings.boreUncertaintyMm ?? null}
        allowBlank
        widthClass="w-16"
        onChange={(boreUncertaintyMm) => {
          onChange({ boreUncertaintyMm })
        }}
      />
      <NumberField
        label="Dead volume of the tubing, noted"
        unit="mL"
        value={settings.deadVolumeMl ?? null}
        allowBlank
        widthClass="w-18"
        onChange={(deadVolumeMl) => {
          onChange({ deadVolumeMl })
        }}
      />
      {settings.boreMm == null ? (
        <p className="amber w-full text-sm">Type the inner diameter: it turns travel into volume.</p>
      ) : null}
    </>
  )
}

function Temperature({ calibration, onChange }: GivenProps) {
  const { settings, probe } = calibration
  const [isTyping, setIsTyping] = useState(settings.celsius != null)
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2 text-sm">
      {isTyping ? (
        <NumberField
          label="Temperature of the standards, typed"
          unit="°C"
          value={settings.celsius ?? null}
          allowBlank
          widthClass="w-18"
          onChange={(celsius) => {
            onChange({ celsius })
          }}
        />
      ) : (
        <p>
          <span className="quiet">Temperature: the thermometer beside it, or </span>
          <button
            type="button"
            className="word-button"
            onClick={() => {
              setIsTyping(true)
            }}
          >
            type it
          </button>
        </p>
      )}
      {probe.kind === 'conductivity-cell' ? (
        <NumberField
          label="Conductivity rises by"
          unit="% per °C"
          value={Number(((settings.coefficient ?? 0.0191) * 100).toFixed(4))}
          widthClass="w-18"
          onChange={(percent) => {
            onChange({ coefficient: percent === null ? null : percent / 100 })
          }}
        />
      ) : null}
    </div>
  )
}

function GivenWords({ calibration }: { calibration: Calibration }) {
  const { settings, recipe } = calibration
  const words = [
    ...(recipe.needsBarometer ? [`barometer ${fixed(settings.barometerKpa ?? 101.325, 1)} kPa`] : []),
    ...(settings.boreMm == null ? [] : [`bore ${fixed(settings.boreMm, 2)} mm`]),
    ...(settings.deadVolumeMl == null ? [] : [`dead volume ${fixed(settings.deadVolumeMl, 1)} mL`]),
    ...(settings.celsius == null ? [] : [`standards at ${fixed(settings.celsius, 1)} °C, typed`]),
  ]
  return words.length === 0 ? null : <p className="quiet text-sm">{words.join(' · ')}</p>
}
