import type { LiveProbe, Probe } from '../../lib/api/types'
import { shownRaw } from '../../lib/probes/shown'
import { Note } from '../../ui/Note'
import { ProbeValue } from '../probes/ProbeCard'
import { NameProbe } from './NameProbe'
import { StateWord } from '../probes/StateWord'

const KIND_WORDS: Readonly<Record<Probe['kind'], string>> = {
  'ph-electrode': 'pH electrode',
  'conductivity-cell': 'conductivity cell',
  thermometer: 'thermometer',
  'pressure-sensor': 'pressure sensor',
  plunger: 'plunger position',
  'ecg-lead': 'ECG lead',
  'grip-bulb': 'grip bulb',
  'breathing-belt': 'breathing belt',
  'finger-pulse': 'finger pulse',
  'any-quantity': 'any quantity',
}

const BODY: readonly Probe['kind'][] = ['ecg-lead', 'grip-bulb', 'breathing-belt', 'finger-pulse']

/** What the probe is, and what it shows now. */
export function ProbeFacts({ probe, live }: { probe: Probe; live: LiveProbe | null }) {
  const raw = live?.raw == null ? null : shownRaw(probe.rawUnit, probe.rawDecimals, live.raw)
  const facts: readonly (readonly [string, string])[] = [
    ['Kind', KIND_WORDS[probe.kind]],
    ['Serial number', probe.serial],
    ['Bench', probe.bench.name + (probe.movedFrom === null ? '' : `, came from ${probe.movedFrom}`)],
    ['Resolution', `${probe.resolution} ${probe.rawUnit}`],
    ['Fastest', `${probe.fastestHz} readings a second`],
  ]
  return (
    <>
      <h1 id="probe-title" className="text-xl font-semibold">
        {probe.title} <span className="quiet font-normal">{probe.serial}</span>
      </h1>
      <div>
        <p className="num text-4xl font-bold whitespace-nowrap [&_.unit]:ml-1.5 [&_.unit]:font-sans [&_.unit]:text-xl [&_.unit]:font-normal [&_.unit]:opacity-70">
          <ProbeValue probe={probe} live={live} shows="value" />
        </p>
        <p className="flex justify-between gap-3">
          <span className="num quiet">{raw === null ? '' : `${raw.text} ${raw.unit}`}</span>
          {probe.isPresent ? (
            <StateWord live={live} isAlive={probe.isAlive} />
          ) : (
            <span className="amber font-semibold">unplugged</span>
          )}
        </p>
      </div>
      {!probe.isPresent ? <p className="quiet">Plug it in to read it or to calibrate it.</p> : null}
      {probe.isReady ? <p className="text-success font-semibold">Ready to record with.</p> : null}
      {probe.trustSentence === null ? null : (
        <Note tone="amber">
          <strong>{probe.trustSentence}</strong> A run recorded now will say so.
        </Note>
      )}
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
        {facts.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="quiet">{name}</dt>
            <dd className="text-right">{value}</dd>
          </div>
        ))}
      </dl>
      {probe.kind === 'any-quantity' ? <NameProbe probe={probe} /> : null}
      {BODY.includes(probe.kind) ? <p className="quiet text-sm">For teaching, not for diagnosis.</p> : null}
    </>
  )
}
