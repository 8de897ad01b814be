import { describe, expect, it } from 'vitest'
import { namedSpans, nameOf, spanAt, spansIn } from './spans'

const span = (id: number, columnId: number, name: string, from: number, to: number) => ({
  id,
  columnId,
  name,
  from,
  to,
  ofRuns: [],
})
const SPANS = [
  span(1, 5, 'span 1', 0, 45),
  span(2, 5, 'start', 0, 45),
  span(3, 5, 'span of cooling', 50, 90),
  span(4, 6, 'start', 0, 45),
]

describe('spans', () => {
  it('have a name once somebody gave them one', () => {
    expect(SPANS.map(nameOf)).toEqual(['', 'start', 'span of cooling', 'start'])
    expect(namedSpans(SPANS, 5).map(({ id }) => id)).toEqual([2, 3])
  })

  it('lie in a run where it has ends of its own', () => {
    const [one, other] = [span(1, 5, 'start', 0, 45), span(2, 5, 'end', 50, 90)]
    const own = { ...one, ofRuns: [{ run: 3, from: 5, to: 60 }] }
    expect(spansIn([own, other], 3).map(({ from, to }) => [from, to])).toEqual([
      [5, 60],
      [50, 90],
    ])
    expect(spansIn([own, other], 2).map(({ from }) => from)).toEqual([0, 50])
  })

  it('are found by their ends, one with a name first', () => {
    expect(spanAt(SPANS, 5, 0, 45)?.id).toBe(2)
    expect(spanAt(SPANS, 5, 0.00001, 45)?.id).toBe(2)
    expect(spanAt(SPANS, 5, 0.01, 45)).toBeUndefined()
    expect(spanAt(SPANS, 5, 0, 46)).toBeUndefined()
    expect(spanAt(SPANS.slice(0, 1), 5, 0, 45)?.id).toBe(1)
    expect(spanAt(SPANS, 7, 0, 45)).toBeUndefined()
  })
})
