import { expect, it } from 'vitest'
import { offers } from './completion'

const words = (text: string, caret = text.length) =>
  offers(text, caret, ['q', 'Q_max', 't', 'sum_V']).map((one) => one.words)

it('offers symbols first and functions after them', () => {
  expect(words('su')).toEqual(['sum_V', 'sum(y)'])
  expect(words('2*q')).toEqual(['Q_max'])
  expect(words('a')).toEqual(['abs(y)', 'arccos(y)', 'arcsin(y)', 'arctan(y)', 'area(y, x)'])
})

it('offers nothing where no word is being typed', () => {
  for (const text of ['', 'q*', '2', '(', 'q t ']) expect(words(text), text).toEqual([])
  expect(words('sum(q)', 3)).toEqual([])
  expect(words('ruzzle')).toEqual([])
})

it('puts in what is taken, and the caret behind it', () => {
  expect(offers('q + ru*t', 6, [])).toEqual([{ words: 'running_mean(y, 5)', text: 'q + running_mean(*t', caret: 17 }])
  expect(offers('su + t', 2, ['sum_V'])[0]).toEqual({ words: 'sum_V', text: 'sum_V + t', caret: 5 })
})
