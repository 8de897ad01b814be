import type { Calibration, KeptCalibration, KeyFigure, Standard } from '../lib/api/types'
import { readIn, standard as anyStandard } from './examples'

export function standard(
  position: number,
  value: number,
  raw: number | null,
  change: Partial<Standard> = {},
): Standard {
  return anyStandard(position, `mark ${value}`, {
    source: 'typed',
    code: '',
    value,
    valueHere: value,
    uncertainty: 0.1,
    unit: 'mL',
    instruction: '',
    needsRinse: false,
    rawExpected: 3 + 1.5 * value,
    reading: raw === null ? null : readIn(value, raw, { celsius: 21, scatter: 0 }),
    ...change,
  })
}

const LINE = { slopeUncertainty: 0, offsetUncertainty: 0, reference: 0 }

/** A plunger calibrated at marks: 1.5 mm for 1 mL, 3 mm at nothing. */
export function testCalibration(change: Partial<Calibration> = {}): Calibration {
  return {
    id: 1,
    probeId: 8,
    probe: { title: 'Plunger', serial: 'Hazel-3', kind: 'plunger', rawUnit: 'mm', benchName: 'Hazel' },
    state: 'open',
    keptAt: null,
    recipe: {
      key: 'volume-marks',
      title: 'At volume marks',
      hint: '',
      leastStandards: 2,
      needsBarometer: false,
      needsBore: false,
    },
    origin: 'read',
    unit: 'mL',
    settings: {},
    standards: [standard(0, 10, 18), standard(1, 30, null), standard(2, 50, null)],
    celsius: 21,
    range: { from: 0, to: 57.5 },
    line: null,
    expected: {
      ...LINE,
      slope: 1.5,
      offset: 3,
      ends: [
        { value: 0, raw: 3 },
        { value: 57.5, raw: 89.25 },
      ],
    },
    keyFigures: [],
    verdict: null,
    effect: null,
    faults: [],
    setAsideReason: null,
    beside: [],
    ...change,
  }
}

export function keyFigure(value: number, change: Partial<KeyFigure> = {}): KeyFigure {
  return {
    label: 'of the ideal slope',
    measured: { value, uncertainty: 0.2, unit: '%', shownValue: value.toFixed(1), shownUncertainty: '0.2' },
    goodFrom: 95,
    goodTo: 102,
    usableFrom: 85,
    usableTo: null,
    ...change,
  }
}

export function keptCalibration(
  id: number,
  day: string,
  value: number,
  change: Partial<KeptCalibration> = {},
): KeptCalibration {
  return {
    id,
    keptAt: `${day}T09:12:00Z`,
    recipe: 'Three buffers',
    origin: 'read',
    unit: 'pH',
    celsius: 21,
    keyFigures: [keyFigure(value)],
    verdict: null,
    setAsideReason: null,
    copiedFrom: null,
    runCount: 0,
    ...change,
  }
}
