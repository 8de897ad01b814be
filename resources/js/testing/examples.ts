import type {
  Bench,
  Calibration,
  CalibrationSummary,
  KeyFigure,
  LiveProbe,
  Measured,
  Probe,
  Standard,
} from '../lib/api/types'

export function measured(value: number, uncertainty: number, unit: string, digits = 2): Measured {
  return { value, uncertainty, unit, shownValue: value.toFixed(digits), shownUncertainty: uncertainty.toFixed(digits) }
}

export function figure(value: number, label = 'of the ideal slope', unit = '%'): KeyFigure {
  return {
    label,
    measured: measured(value, 0.3, unit, 1),
    goodFrom: 95,
    goodTo: 102,
    usableFrom: 85,
    usableTo: 102,
  }
}

export function kept(change: Partial<CalibrationSummary> = {}): CalibrationSummary {
  return {
    id: 3,
    keptAt: '2026-11-21T09:15:00Z',
    recipe: 'buffers',
    origin: 'read',
    unit: 'pH',
    celsius: 21.4,
    keyFigures: [figure(97.8)],
    verdict: null,
    setAsideReason: null,
    ...change,
  }
}

/** The pH electrode of Alder, calibrated well. */
export function probe(change: Partial<Probe> = {}): Probe {
  return {
    id: 1,
    bench: { id: 1, name: 'Alder' },
    channel: 'ph',
    kind: 'ph-electrode',
    title: 'pH electrode',
    serial: 'Alder-1',
    rawUnit: 'mV',
    unit: 'pH',
    decimals: 2,
    rawDecimals: 1,
    resolution: 0.1,
    fastestHz: 20,
    isPresent: true,
    isPutAway: false,
    isAlive: false,
    movedFrom: null,
    canBeZeroed: false,
    isReady: true,
    trust: 'good',
    trustSentence: null,
    calibration: kept(),
    zero: null,
    recipes: [],
    standardChoices: [],
    steady: {
      driftPerMinute: 0.02,
      scatter: 0.0085,
      tolerance: 0.0085,
      windowS: 10,
      share: 0,
      rawScatter: 0.5,
      isOwn: false,
    },
    ...change,
  }
}

export function live(change: Partial<LiveProbe> = {}): LiveProbe {
  return {
    id: 1,
    raw: 46.4,
    value: 6.2,
    state: 'steady',
    rawDriftPerMinute: 0.1,
    valueDriftPerMinute: -0.002,
    isMoving: false,
    rawScatter: 0.1,
    steadyForS: 12,
    secondsMore: null,
    recent: [],
    ...change,
  }
}

export function standard(position: number, label: string, change: Partial<Standard> = {}): Standard {
  return {
    position,
    source: 'buffer',
    code: label,
    label,
    value: Number(label),
    valueHere: Number(label),
    uncertainty: 0.01,
    unit: 'pH',
    isExample: false,
    shelfId: null,
    lot: null,
    isExpired: false,
    instruction: 'Rinse, blot, then dip in',
    needsRinse: true,
    isPoint: true,
    rawExpected: null,
    reading: null,
    ...change,
  }
}

export function readIn(
  value: number,
  raw: number,
  change: Partial<NonNullable<Standard['reading']>> = {},
): NonNullable<Standard['reading']> {
  return {
    value,
    celsius: 21.4,
    raw,
    scatter: 0.1,
    sampleCount: 40,
    wasSteady: true,
    driftPerMinute: 0,
    samples: [],
    off: null,
    ...change,
  }
}

/** An open calibration of that electrode in two buffers, nothing read yet. */
export function calibration(change: Partial<Calibration> = {}): Calibration {
  return {
    id: 9,
    probeId: 1,
    probe: { title: 'pH electrode', serial: 'Alder-1', kind: 'ph-electrode', rawUnit: 'mV', benchName: 'Alder' },
    state: 'open',
    origin: 'read',
    recipe: {
      key: 'buffers',
      title: 'Three buffers',
      hint: 'Two are enough.',
      leastStandards: 2,
      needsBarometer: false,
      needsBore: false,
    },
    unit: 'pH',
    keptAt: null,
    setAsideReason: null,
    settings: {},
    celsius: 21.4,
    range: { from: 2, to: 12 },
    standards: [standard(0, '7.00'), standard(1, '4.01')],
    line: null,
    expected: null,
    keyFigures: [],
    verdict: null,
    effect: null,
    faults: [],
    beside: [],
    ...change,
  }
}

export function bench(change: Partial<Bench> = {}): Bench {
  return {
    id: 1,
    name: 'Alder',
    isSimulated: true,
    address: null,
    isPutAway: false,
    recording: null,
    experiments: [{ id: 1, title: 'How sour is Tuesday’s whey?' }],
    probes: [probe()],
    putAway: [],
    ...change,
  }
}
