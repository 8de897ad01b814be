import type { Mathematics } from '../api/types'
import { unitText } from '../notebook/labels'

const GREEK = new Set([
  'alpha',
  'beta',
  'gamma',
  'delta',
  'epsilon',
  'eta',
  'theta',
  'kappa',
  'lambda',
  'mu',
  'nu',
  'rho',
  'sigma',
  'tau',
  'phi',
  'chi',
  'psi',
  'omega',
])
const FUNCTIONS: Record<string, string> = {
  ln: '\\ln',
  log10: '\\log_{10}',
  exp: '\\exp',
  sin: '\\sin',
  cos: '\\cos',
  tan: '\\tan',
  sqrt: '\\sqrt',
  abs: '\\lvert',
  mean: '\\overline',
}
/** How tightly a kind binds: looser ones need brackets inside tighter ones. */
const BINDS: Partial<Record<Mathematics['kind'], number>> = {
  equals: 0,
  plus: 1,
  minus: 1,
  negative: 1,
  times: 2,
  power: 4,
}

/** Behind another sign one has brackets. */
const SIGNED = 3

function escaped(text: string): string {
  return text.replace(/[\\{}$&#%_^~]/g, (letter) =>
    letter === '\\' ? '' : letter === '^' || letter === '~' ? '' : `\\${letter}`,
  )
}

/** A symbol in the letters of print: V_eq for Veq and V_eq, upright where it is a word. */
function symbol(name: string): string {
  const [base = '', part] = name.split('.')
  const match = /^(Δ?)([A-Za-z])_?([A-Za-z0-9]*)$/.exec(base)
  const shown = GREEK.has(base)
    ? `\\${base}`
    : match !== null && (base.includes('_') || /^[A-Z][a-z0-9]*$/.test(base.replace('Δ', '')) || match[3] === '')
      ? `${match[1] === '' ? '' : '\\Delta '}${match[2] ?? ''}${match[3] === '' ? '' : `_{\\mathrm{${escaped(match[3] ?? '')}}}`}`
      : `\\mathrm{${escaped(base)}}`
  return part === undefined ? shown : `${shown}{}_{,\\text{${escaped(part)}}}`
}

function parts(tree: Mathematics): readonly Mathematics[] {
  return tree.parts ?? []
}

function inside(tree: Mathematics | undefined, outer: number): string {
  if (tree === undefined) return ''
  const text = toTex(tree)
  return bindsOf(tree) < outer || (outer > 2 && tree.kind === 'over') ? `\\left(${text}\\right)` : text
}

/** A number below zero binds as its sign does: 2 · (−3). */
function bindsOf({ kind, text = '' }: Mathematics): number {
  return BINDS[kind === 'number' && text.startsWith('-') ? 'negative' : kind] ?? 9
}

/** At the front a sign needs no brackets: −b · t. */
function first(tree: Mathematics | undefined, outer: number): string {
  return tree !== undefined && bindsOf(tree) === BINDS.negative && tree.kind !== 'plus' && tree.kind !== 'minus'
    ? toTex(tree)
    : inside(tree, outer)
}

/** What begins with a sign below zero, without it: 3 of −3, b · t of −b · t; null where none is there. */
function unsigned(tree: Mathematics | undefined): Mathematics | null {
  if (tree === undefined) return null
  const [front, ...rest] = parts(tree)
  if (tree.kind === 'negative') return front ?? null
  if (tree.kind === 'number') return tree.text?.startsWith('-') === true ? { ...tree, text: tree.text.slice(1) } : null
  const bare = tree.kind === 'times' ? unsigned(front) : null
  return bare === null ? null : { ...tree, parts: [bare, ...rest] }
}

/** A tree of mathematics as TeX. */
export function toTex(tree: Mathematics): string {
  const [a, b] = parts(tree)
  switch (tree.kind) {
    case 'symbol':
      return symbol(tree.text ?? '')
    case 'number':
      return `${(tree.text ?? '').replace(/e([+-]?\d+)$/, '\\cdot 10^{$1}')}${tree.unit === undefined ? '' : `\\,\\mathrm{${escaped(unitText(tree.unit)).replace(/ /g, '\\,')}}`}`
    case 'words':
      return `\\text{${escaped(tree.text ?? '')}}`
    case 'equals':
      return `${inside(a, 1)} = ${inside(b, 1)}`
    case 'plus': {
      const less = unsigned(b)
      return less === null ? `${inside(a, 1)} + ${inside(b, 1)}` : `${inside(a, 1)} - ${inside(less, 2)}`
    }
    case 'minus':
      return `${inside(a, 1)} - ${inside(b, unsigned(b) === null ? 2 : SIGNED)}`
    case 'times':
      return `${first(a, 2)} \\cdot ${inside(b, 2)}`
    case 'over':
      return `\\frac{${inside(a, 0)}}{${inside(b, 0)}}`
    case 'power':
      return `${inside(a, 5)}^{${inside(b, 0)}}`
    case 'negative':
      return `-${inside(a, 2)}`
    case 'derivative': {
      const order = tree.text === '1' ? '' : `^{${tree.text ?? ''}}`
      return `\\frac{\\mathrm{d}${order}${inside(a, 4)}}{\\mathrm{d}${inside(b, 4)}${order}}`
    }
    case 'integral':
      return `\\int ${inside(a, 2)}\\,\\mathrm{d}${inside(b, 2)}`
    case 'at':
    case 'in':
      return `${inside(a, 2)}\\ \\text{${tree.kind}}\\ ${inside(b, 1)}`
    case 'call': {
      const name = FUNCTIONS[tree.text ?? '']
      const args = parts(tree)
        .map((part) => toTex(part))
        .join(',\\,')
      if (tree.text === 'sqrt' || tree.text === 'mean') return `${name ?? ''}{${args}}`
      if (tree.text === 'abs') return `\\lvert ${args}\\rvert`
      return `${name ?? `\\operatorname{${escaped(tree.text ?? '')}}`}\\left(${args}\\right)`
    }
  }
}

const WORDS: Partial<Record<Mathematics['kind'], string>> = {
  equals: 'equals',
  plus: 'plus',
  minus: 'minus',
  times: 'times',
  over: 'divided by',
  power: 'to the power',
  at: 'at',
  in: 'in',
}

/** The same to be spoken. */
export function spoken(tree: Mathematics): string {
  const [a, b] = parts(tree).map(spoken)
  const less = tree.kind === 'plus' ? unsigned(parts(tree)[1]) : null
  if (less !== null) return `${a ?? ''} minus ${spoken(less)}`
  switch (tree.kind) {
    case 'symbol':
    case 'words':
      return tree.text ?? ''
    case 'number':
      return tree.unit === undefined ? (tree.text ?? '') : `${tree.text ?? ''} ${unitText(tree.unit)}`
    case 'negative':
      return `minus ${a ?? ''}`
    case 'call':
      return `${tree.text ?? ''} of ${parts(tree).map(spoken).join(' and ')}`
    case 'derivative':
      return `${tree.text === '1' ? 'first' : 'second'} derivative of ${a ?? ''} by ${b ?? ''}`
    case 'integral':
      return `integral of ${a ?? ''} over ${b ?? ''}`
    default:
      return `${a ?? ''} ${WORDS[tree.kind] ?? ''} ${b ?? ''}`
  }
}
