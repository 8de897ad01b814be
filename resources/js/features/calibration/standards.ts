import type { StandardsChoice } from '../../lib/api/types'

export type ChosenStandard = StandardsChoice['standards'][number]

/** The buffers a chemistry room has, by what stands on the bottle. */
export const BUFFERS = [
  { buffer: '4.01', words: 'pH 4.01 (technical)' },
  { buffer: '7.00', words: 'pH 7.00 (technical)' },
  { buffer: '10.01', words: 'pH 10.01 (technical)' },
  { buffer: 'phthalate', words: 'pH 4.008 (phthalate)' },
  { buffer: 'phosphate', words: 'pH 6.865 (phosphate)' },
  { buffer: 'borax', words: 'pH 9.180 (borax)' },
  { buffer: 'carbonate', words: 'pH 10.012 (carbonate)' },
] as const

/** Neutral first: it tells the offset before the slope. */
export const USUAL_STANDARDS: StandardsChoice = {
  standards: [{ buffer: '7.00' }, { buffer: '4.01' }, { buffer: '10.01' }],
}
