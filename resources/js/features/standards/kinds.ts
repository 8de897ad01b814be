import type { ProbeKind, ShelfEntry } from '../../lib/api/types'

interface Kind {
  kind: ProbeKind
  words: string
  unit: string
  /** What a standard for it can be, besides a typed value. */
  sources: readonly { source: ShelfEntry['source']; code: string; words: string }[]
}

const buffer = (code: string, words: string) => ({ source: 'buffer' as const, code, words })
const chloride = (code: string, words: string) => ({ source: 'potassium-chloride' as const, code, words })

/** For which kinds of probes standards stand on a shelf. */
export const KINDS: readonly Kind[] = [
  {
    kind: 'ph-electrode',
    words: 'Buffers for pH',
    unit: 'pH',
    sources: [
      buffer('7.00', 'pH 7.00, technical'),
      buffer('4.01', 'pH 4.01, technical'),
      buffer('10.01', 'pH 10.01, technical'),
      buffer('phthalate', 'pH 4.008, phthalate'),
      buffer('phosphate', 'pH 6.865, phosphate'),
      buffer('borax', 'pH 9.180, borax'),
      buffer('carbonate', 'pH 10.012, carbonate'),
    ],
  },
  {
    kind: 'conductivity-cell',
    words: 'Solutions for conductivity',
    unit: 'µS/cm at 25 °C',
    sources: [
      chloride('147', 'potassium chloride, 147 µS/cm'),
      chloride('1413', 'potassium chloride, 1413 µS/cm'),
      chloride('12880', 'potassium chloride, 12.88 mS/cm'),
    ],
  },
  {
    kind: 'grip-bulb',
    words: 'Weights',
    unit: 'kPa',
    sources: [{ source: 'weight', code: '', words: 'a mass in kg' }],
  },
  { kind: 'thermometer', words: 'For temperature', unit: '°C', sources: [] },
  { kind: 'pressure-sensor', words: 'For pressure', unit: 'kPa', sources: [] },
  { kind: 'plunger', words: 'For volume', unit: 'mL', sources: [] },
]
