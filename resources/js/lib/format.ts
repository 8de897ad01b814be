const MINUS = '\u2212'

/** A number with a fixed count of decimals and a real minus sign; a value that rounds to zero has no sign. */
export function fixed(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals)
  return value < 0 && Number(text) !== 0 ? MINUS + text : text
}

/** The same with a plus sign before positive numbers, for quantities that can be either. */
export function signed(value: number, decimals: number): string {
  const text = fixed(value, decimals)
  return value > 0 && Number(text) !== 0 ? `+${text}` : text
}

/** A number the server has written, with a real minus sign. */
export function typeset(number: string): string {
  return number.replace('-', MINUS)
}

/** A burette volume as it is read: 0.01 mL. */
export function volume(millilitres: number): string {
  return fixed(millilitres, 2)
}

/** "1 reading", "5 readings", "100,000 readings". */
export function countOf(count: number, what: string): string {
  return count === 1 ? `1 ${what}` : `${counted(count)} ${what}s`
}

/** Five figures and more are parted, so that they are read at a glance. */
export function counted(count: number): string {
  return count < 10_000 ? String(count) : count.toLocaleString('en-GB')
}

const CIRCLED = ['⓪', '①', '②', '③', '④', '⑤', '⑥', '⑦', '⑧', '⑨']

export function circled(number: number): string {
  return CIRCLED[number] ?? `(${number})`
}

/** What a person typed as a number: point or comma, spaces ignored; null when it is none. */
export function parseNumber(text: string): number | null {
  const tidy = text.trim().replace(/\s/g, '').replace(',', '.').replace(MINUS, '-')
  if (!/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(tidy)) return null
  return Number(tidy)
}
