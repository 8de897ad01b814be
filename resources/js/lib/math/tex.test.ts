import { describe, expect, it } from 'vitest'
import katex from 'katex'
import type { Mathematics } from '../api/types'
import { spoken, toTex } from './tex'

const s = (text: string): Mathematics => ({ kind: 'symbol', text })
const n = (text: string, unit?: string): Mathematics => ({
  kind: 'number',
  text,
  ...(unit === undefined ? {} : { unit }),
})
const of = (kind: Mathematics['kind'], ...parts: Mathematics[]): Mathematics => ({ kind, parts })

describe('mathematics as print sets it', () => {
  it.each<[Mathematics, string]>([
    [s('Veq'), 'V_{\\mathrm{eq}}'],
    [s('c_s'), 'c_{\\mathrm{s}}'],
    [s('n'), 'n'],
    [s('pKa'), '\\mathrm{pKa}'],
    [s('beta'), '\\beta'],
    [s('a.intercept'), 'a{}_{,\\text{intercept}}'],
    [n('1.2e-3', 'mL^2'), '1.2\\cdot 10^{-3}\\,\\mathrm{mL²}'],
    [of('times', of('plus', s('a'), s('b')), s('c')), '\\left(a + b\\right) \\cdot c'],
    [of('minus', s('a'), of('minus', s('b'), s('c'))), 'a - \\left(b - c\\right)'],
    [of('over', of('plus', s('a'), s('b')), s('c')), '\\frac{a + b}{c}'],
    [of('power', of('over', s('a'), s('b')), n('2')), '\\left(\\frac{a}{b}\\right)^{2}'],
    [of('negative', of('plus', s('a'), s('b'))), '-\\left(a + b\\right)'],
    [{ kind: 'call', text: 'sqrt', parts: [s('a')] }, '\\sqrt{a}'],
    [{ kind: 'call', text: 'abs', parts: [s('a')] }, '\\lvert a\\rvert'],
    [{ kind: 'call', text: 'ln', parts: [s('a')] }, '\\ln\\left(a\\right)'],
    [{ kind: 'call', text: 'smooth', parts: [s('a'), n('3')] }, '\\operatorname{smooth}\\left(a,\\,3\\right)'],
    [{ kind: 'derivative', text: '2', parts: [s('y'), s('x')] }, '\\frac{\\mathrm{d}^{2}y}{\\mathrm{d}x^{2}}'],
    [of('plus', s('a'), of('minus', s('b'), s('c'))), 'a + b - c'],
    [of('plus', s('a'), n('-3')), 'a - 3'],
    [of('plus', s('a'), of('times', n('-3'), s('t'))), 'a - 3 \\cdot t'],
    [of('plus', s('a'), of('negative', of('plus', s('b'), s('c')))), 'a - \\left(b + c\\right)'],
    [of('minus', s('a'), n('-3')), 'a - \\left(-3\\right)'],
    [of('minus', s('a'), of('times', n('-3'), s('t'))), 'a - \\left(-3 \\cdot t\\right)'],
    [of('minus', of('plus', s('a'), s('b')), s('c')), 'a + b - c'],
    [of('times', s('a'), of('plus', s('b'), s('c'))), 'a \\cdot \\left(b + c\\right)'],
    [of('times', of('times', s('a'), s('b')), s('c')), 'a \\cdot b \\cdot c'],
    [of('times', of('over', s('a'), s('b')), s('c')), '\\frac{a}{b} \\cdot c'],
    [of('power', of('times', s('a'), s('b')), s('c')), '\\left(a \\cdot b\\right)^{c}'],
    [of('power', s('a'), of('plus', s('b'), n('1'))), 'a^{b + 1}'],
    [of('equals', s('a'), of('plus', s('b'), s('c'))), 'a = b + c'],
    [
      of('at', of('plus', s('a'), s('b')), of('equals', s('x'), n('3'))),
      '\\left(a + b\\right)\\ \\text{at}\\ \\left(x = 3\\right)',
    ],
    [of('at', of('times', s('a'), s('b')), n('3', 's')), 'a \\cdot b\\ \\text{at}\\ 3\\,\\mathrm{s}'],
    [of('in', s('r'), { kind: 'words', text: 'run 2' }), 'r\\ \\text{in}\\ \\text{run 2}'],
    [of('integral', of('plus', s('a'), s('b')), s('x')), '\\int \\left(a + b\\right)\\,\\mathrm{d}x'],
    [
      { kind: 'derivative', text: '1', parts: [of('times', s('a'), s('y')), s('x')] },
      '\\frac{\\mathrm{d}\\left(a \\cdot y\\right)}{\\mathrm{d}x}',
    ],
    [{ kind: 'words', text: '50 % of {all}' }, '\\text{50 \\% of \\{all\\}}'],
  ])('%j', (tree, tex) => {
    expect(toTex(tree)).toBe(tex)
    expect(() => katex.renderToString(tex, { throwOnError: true })).not.toThrow()
  })

  it('is spoken, too', () => {
    expect(spoken(of('equals', s('n'), of('times', s('c'), n('10.4', 'mL'))))).toBe('n equals c times 10.4 mL')
    expect(spoken({ kind: 'derivative', text: '1', parts: [s('pH'), s('V')] })).toBe('first derivative of pH by V')
    expect(spoken({ kind: 'call', text: 'mean', parts: [s('a'), s('b')] })).toBe('mean of a and b')
    expect(spoken(of('negative', s('a')))).toBe('minus a')
  })
})

it('a sign has brackets only where it would be read wrongly', () => {
  const number = (text: string): Mathematics => ({ kind: 'number', text })
  const of = (kind: Mathematics['kind'], ...parts: Mathematics[]): Mathematics => ({ kind, parts })
  const b: Mathematics = { kind: 'symbol', text: 'b' }
  expect(toTex(of('times', of('negative', b), b))).toBe('-b \\cdot b')
  expect(toTex(of('times', number('-2'), b))).toBe('-2 \\cdot b')
  expect(toTex(of('times', b, number('-2')))).toBe('b \\cdot \\left(-2\\right)')
  expect(toTex(of('negative', number('-2')))).toBe('-\\left(-2\\right)')
  expect(toTex(of('minus', b, number('-2')))).toBe('b - \\left(-2\\right)')
  expect(toTex(of('times', of('plus', b, b), b))).toBe('\\left(b + b\\right) \\cdot b')
})
