import type { Span } from '../api/types'

/** The spans as they lie in a run, told by its number. */
export function spansIn(spans: readonly Span[], run: number): Span[] {
  return spans.map((span) => {
    const own = span.ofRuns.find((one) => one.run === run)
    return own === undefined ? span : { ...span, from: own.from, to: own.to }
  })
}

/** A span that was made with a line is called so until somebody names it. */
export function nameOf({ name }: Span): string {
  return /^span \d+$/.test(name) ? '' : name
}

/** Ends that differ by less of the span are the same. */
const SAME = 1e-6

/** The span of a column that has these ends; one with a name before one without. */
export function spanAt(spans: readonly Span[], columnId: number, from: number, to: number): Span | undefined {
  const near = SAME * Math.max(Math.abs(to - from), 1e-300)
  const there = spans.filter(
    (span) => span.columnId === columnId && Math.abs(span.from - from) <= near && Math.abs(span.to - to) <= near,
  )
  return there.find((span) => nameOf(span) !== '') ?? there[0]
}

/** The spans of a column that have a name. */
export function namedSpans(spans: readonly Span[], columnId: number): Span[] {
  return spans.filter((span) => span.columnId === columnId && nameOf(span) !== '')
}
