import type { Measured, Working, WorkingLine } from '../lib/api/types'
import { measured, reading } from './examples'

function line(number: number, key: string, result: Measured | null): WorkingLine {
  return { number, key, title: key, result, method: '', formula: '', numbers: '', uses: [], warnings: [], needs: null }
}

/** A small worked-out titration with one reading set aside, for tests of what is drawn. */
export function testWorking(change: Partial<Working> = {}): Working {
  return {
    runId: 7,
    runNumber: 2,
    calibration: null,
    isWorkedOutAgain: false,
    trustSentences: [],
    readings: [
      reading(1, 0, 2.6),
      reading(2, 5, 3.8),
      reading(3, 10, 5.2),
      reading(4, 11, 11.2, { setAsideReason: 'touched the glass' }),
    ],
    firstDerivative: [
      [2.5, 0.24],
      [7.5, 0.28],
    ],
    secondDerivative: [[5, 0.008]],
    jumps: [],
    span: null,
    lines: [
      line(1, 'equivalence-volume', measured(10.45, 0.03, 'mL')),
      line(2, 'half-equivalence', measured(3.86, 0.01, 'pH')),
    ],
    ...change,
  }
}

export const TEST_INK = {
  paper: '#fff',
  text: '#000',
  quiet: '#555',
  faint: '#888',
  grid: '#ddd',
  primary: '#0e5f5a',
  amber: '#d98a00',
  error: '#b3261e',
  derivative: '#8a4b00',
  secondDerivative: '#6b4a8c',
  runs: ['#0072b2', '#b3470a', '#00785a', '#a2457f'],
  sans: 'sans',
  mono: 'mono',
} as const
