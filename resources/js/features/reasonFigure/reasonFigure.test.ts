import { describe, expect, it } from 'vitest'
import { figure as figured, line, mark, notebook, ROWS, run, runRows, worked } from '../../testing/notebook'
import type { Figure, Row, RunRows } from '../../lib/api/types'
import { captionOf } from './caption'
import { figureInput, marksOf } from './figureInput'

const base = notebook()
const [FIGURE] = base.figures
const of = (id: number, rows: Row[], also: Partial<RunRows> = {}) => ({
  run: run(id),
  rows: runRows(id, rows, also),
})

describe('what the figure of Reason draws', () => {
  it('takes columns and runs of the notebook, the runs in their order', () => {
    const input = figureInput({
      notebook: base,
      figure: FIGURE,
      worked: [],
      run: run(1),
      rows: runRows(1, ROWS),
      others: [{ run: run(2), rows: runRows(2, []) }],
    })
    expect(input?.x.symbol).toBe('V')
    expect(input?.runs.map(({ number }) => number)).toEqual([1, 2])
  })

  it('draws nothing without a figure, or one of columns that are gone', () => {
    const source = { notebook: base, worked: [], run: run(1), rows: runRows(1, ROWS) }
    expect(figureInput({ ...source, figure: undefined })).toBeNull()
    expect(figureInput({ ...source, figure: figured('q', [['pH']]) })).toBeNull()
    expect(figureInput({ ...source, figure: figured('V', [['q']]) })).toBeNull()
  })

  it('shades the spans that lines work over', () => {
    const span = (id: number, columnId: number) => ({ id, columnId, name: '', from: 2, to: 4, ofRuns: [] })
    const V = base.columns[0]?.id ?? 0
    const book = notebook({
      spans: [span(1, V), span(2, V), span(3, 999)],
      lines: [line(1, 'a', { spanId: 1 }), line(2, 'b', { spanId: 3 })],
    })
    const input = figureInput({ notebook: book, figure: FIGURE, worked: [], run: run(1), rows: runRows(1, ROWS) })
    expect(input?.spans).toEqual([[2, 4, '']])
  })

  it('draws trials of a condition alike, and names each condition once', () => {
    const trial = (id: number, condition: string | null) => ({
      run: { ...run(id), condition },
      rows: runRows(id, ROWS),
    })
    const by = (coloursBy: Figure['coloursBy'], ...conditions: (string | null)[]) => {
      const [last, ...others] = conditions.map((condition, i) => trial(i + 1, condition)).reverse()
      if (last === undefined) return []
      const made = figureInput({
        notebook: base,
        figure: FIGURE && { ...FIGURE, coloursBy },
        worked: [],
        ...last,
        others,
      })
      return made?.runs.map(({ id, number, name }) => [id, number, name])
    }
    const drawn = (...conditions: (string | null)[]) => by(null, ...conditions)
    expect(drawn('full', 'half', 'full')).toEqual([
      [1, 1, 'full'],
      [2, 2, 'half'],
      [3, 1, 'full'],
    ])
    expect(drawn('full', 'half')).toEqual([
      [1, 1, 'Run 1'],
      [2, 2, 'Run 2'],
    ])
    expect(drawn('full', null, 'full')?.map(([, number]) => number)).toEqual([1, 2, 3])
    expect(by('run', 'full', 'half', 'full')?.map(([, number, name]) => [number, name])).toEqual([
      [1, 'Run 1'],
      [2, 'Run 2'],
      [3, 'Run 3'],
    ])
    expect(by('condition', 'full', null, 'full')?.map(([, number, name]) => [number, name])).toEqual([
      [1, 'full'],
      [2, 'no condition'],
      [1, 'full'],
    ])
    expect(captionOf(base, FIGURE, [trial(3, 'full'), trial(1, 'full'), trial(2, 'half')])).toContain(
      '; 3 runs of 2 conditions, 12 readings, 3 set aside (hollow, run 1, 11.00 mL: touched the glass; run 2, ',
    )
  })

  it('draws the curves of other runs in the colour of their run, without names', () => {
    const curve = { ...mark('curve'), label: 'fit' }
    const input = figureInput({
      notebook: base,
      figure: FIGURE,
      worked: [
        worked('Veq', 1, { marks: [curve] }),
        worked('Veq', 2, { marks: [curve, mark('vertical')] }),
        worked('n', null, { marks: [curve] }),
      ],
      run: run(1),
      rows: runRows(1, ROWS),
      others: [{ run: run(2), rows: runRows(2, ROWS) }],
    })
    expect(input?.marks?.map(({ kind, text, runNumber }) => [kind, text, runNumber])).toEqual([
      ['curve', '① Veq', undefined],
      ['curve', '② n', undefined],
      ['curve', '', 2],
    ])
  })

  it('draws what was noted at a point of any run, of others in the colour of their run', () => {
    const noted = (id: number, name: string) => runRows(id, ROWS, { markers: [{ id, at: null, row: 2, name }] })
    const input = figureInput({
      notebook: base,
      figure: FIGURE,
      worked: [],
      run: run(1),
      rows: noted(1, 'first drop'),
      others: [{ run: run(2), rows: noted(2, 'turned pink') }],
    })
    expect(input?.marks?.map(({ kind, text, runNumber }) => [kind, text, runNumber])).toEqual([
      ['point', 'first drop', undefined],
      ['point', 'turned pink', 2],
    ])
  })

  it('names marks by the number of their line and tells the result at the first', () => {
    const lines = [
      worked('Veq', 1, { marks: [mark('vertical'), mark('point', { label: 'half' }), mark('curve', { label: '' })] }),
      worked('Veq', 2, { marks: [mark('vertical')] }),
      worked('n', null, { marks: [mark('point')] }),
    ]
    expect(marksOf(base, lines, 1).map(({ text }) => text)).toEqual(['① 10.45 mL', 'half', '', '② n'])
  })

  it('writes its own caption: what, from what, and what was set aside and why', () => {
    const old = { trustSentences: ['The electrode is old.'] }
    const two = [of(2, ROWS, old), of(1, ROWS.slice(0, 2), old)]
    expect(captionOf(base, FIGURE, two)).toBe(
      'Figure 1. pH against volume of NaOH added V / mL; run 1, run 2, 6 readings, 1 set aside (hollow, run 2, 11.00 mL: touched the glass). The electrode is old.',
    )
    expect(captionOf(base, FIGURE, [of(2, ROWS)], 1)).toMatch(
      /4 readings, 1 set aside \(hollow, 11\.00 mL: touched the glass\), 1 point beyond the axes\.$/,
    )
    const hurried = ROWS.slice(0, 1).map((one) => ({ ...one, wasSteady: false }))
    expect(captionOf(base, undefined, [of(2, hurried)])).toBe(
      'Figure 1. Readings; run 2, 1 reading, 1 taken before steady.',
    )
  })

  it('tells in its caption how many of very many rows are drawn, and how many are set aside among all', () => {
    const typed = {
      rowCount: 100_000,
      isThinned: true,
      only: null,
      asideCount: 350,
      feet: [],
      blanks: [],
      unreadable: [],
      unreadableCount: 0,
    }
    expect(captionOf(base, FIGURE, [of(2, ROWS, { typed })])).toBe(
      'Figure 1. pH against volume of NaOH added V / mL; run 2, 100,000 rows (4 of them drawn), 350 set aside (hollow, 11.00 mL: touched the glass).',
    )
    expect(captionOf(base, FIGURE, [of(2, ROWS, { typed }), of(1, ROWS)])).toContain(
      'run 1, run 2, 100,004 rows (8 of them drawn), 351 set aside (hollow, run 1, 11.00 mL: touched the glass; run 2, ',
    )
  })

  it('begins a caption large where it begins with a word, and tells runs in their order', () => {
    const turned = figured('pH', [['V']])
    expect(captionOf(base, turned, [of(3, ROWS.slice(0, 2)), of(2, []), of(1, ROWS.slice(0, 1))])).toBe(
      'Figure 1. Volume of NaOH added V / mL against pH; runs 1 to 3, 3 readings.',
    )
    const named = { ...run(2), name: 'cold trial 2' }
    expect(captionOf(base, turned, [of(3, ROWS.slice(0, 2)), { ...of(2, []), run: named }, of(1, [])])).toContain(
      'run 1, cold trial 2, run 3, 2 readings',
    )
    expect(captionOf(base, turned, [of(4, ROWS.slice(0, 2)), of(2, []), of(1, [])])).toContain(
      'run 1, run 2, run 4, 2 readings',
    )
    const strange = figured('V', [['pH', 'q']])
    expect(captionOf(base, strange, [of(1, [])])).toContain('pH, q against volume of NaOH')
  })
})
