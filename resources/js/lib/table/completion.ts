/** Functions of a formula, as they are written; those of a whole column or from row to row say what they take. */
export const FUNCTIONS = [
  'abs(y)',
  'arccos(y)',
  'arcsin(y)',
  'arctan(y)',
  'area(y, x)',
  'cos(y)',
  'count(y)',
  'derivative(y, x)',
  'difference(y)',
  'exp(y)',
  'ln(y)',
  'log10(y)',
  'max(y)',
  'mean(y)',
  'min(y)',
  'running_mean(y, 5)',
  'sd(y)',
  'second_derivative(y, x)',
  'shift(y, 1)',
  'sin(y)',
  'sqrt(y)',
  'sum(y)',
  'tan(y)',
]

export interface Offer {
  words: string
  /** The formula with it put in, and where the caret stands then. */
  text: string
  caret: number
}

const MOST = 6

/** What the word before the caret may become: a symbol of the notebook, or a function. */
export function offers(text: string, caret: number, symbols: readonly string[]): Offer[] {
  const [word = ''] = /[A-Za-z_][A-Za-z_0-9.]*$/.exec(text.slice(0, caret)) ?? []
  if (word === '' || /^[A-Za-z_0-9(]/.test(text.slice(caret))) return []
  const begins = (one: string) => one.toLowerCase().startsWith(word.toLowerCase()) && one !== word
  const before = text.slice(0, caret - word.length)
  const put = (words: string, written: string): Offer => ({
    words,
    text: before + written + text.slice(caret),
    caret: before.length + written.length,
  })
  return [
    ...symbols.filter(begins).map((symbol) => put(symbol, symbol)),
    ...FUNCTIONS.filter(begins).map((usage) => put(usage, `${usage.slice(0, usage.indexOf('('))}(`)),
  ].slice(0, MOST)
}
