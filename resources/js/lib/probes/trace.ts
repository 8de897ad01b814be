export interface TracePoint {
  /** s, clock of the bench. */
  readonly t: number
  /** Raw signal. */
  readonly v: number
}

/** A trace with what came since its last point, evenly spread up to now, and without what is too old to show. */
export function withLatest(
  trace: readonly TracePoint[],
  time: number,
  values: readonly number[],
  shownS: number,
): readonly TracePoint[] {
  const before = trace[trace.length - 1]?.t ?? time
  if (time <= before && trace.length > 0) return trace
  const step = (time - before) / values.length
  const latest = values.map((v, i) => ({ t: time - step * (values.length - 1 - i), v }))
  return [...trace.filter(({ t }) => t > time - shownS), ...latest]
}

/** At most lowest and highest of each column of a picture: a peak is never lost, and drawing stays cheap. */
export function traceColumns(trace: readonly TracePoint[], columnCount: number): readonly TracePoint[] {
  if (trace.length <= 2 * columnCount) return trace
  const perColumn = trace.length / columnCount
  const drawn: TracePoint[] = []
  for (let column = 0; column < columnCount; column++) {
    const part = trace.slice(Math.floor(column * perColumn), Math.floor((column + 1) * perColumn))
    const [first] = part
    if (first === undefined) continue
    let [low, high] = [first, first]
    for (const point of part) {
      if (point.v < low.v) low = point
      if (point.v > high.v) high = point
    }
    drawn.push(...(low.t <= high.t ? [low, high] : [high, low]))
  }
  return drawn
}
