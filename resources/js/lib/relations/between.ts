/** Two columns of a run, by symbol, or a stretch of the first one, looked at for the relation between them. */
export interface Between {
  x: string
  y: string
  from?: number
  to?: number
}

/** As an address tells it: "t,T,20,55". */
export function betweenOf(text: string | null): Between | null {
  if (text === null) return null
  const [x = '', y = '', first, last] = text.split(',')
  const [from, to] = [Number(first), Number(last)]
  return Number.isFinite(from) && Number.isFinite(to) ? { x, y, from, to } : { x, y }
}

export function betweenText({ x, y, from, to }: Between): string {
  return [x, y, ...(from === undefined || to === undefined ? [] : [from, to])].join(',')
}
