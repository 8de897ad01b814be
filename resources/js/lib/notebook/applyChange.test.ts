import { describe, expect, it } from 'vitest'
import { entry, line, notebook, run, worked } from '../../testing/notebook'
import type { Change } from '../api/types'
import { applyChange, applyWorked, hasMissed } from './applyChange'

function change(changes: Partial<Change>): Change {
  return {
    revision: 6,
    made: null,
    changed: [],
    worked: [],
    rows: [],
    changesCells: false,
    stages: null,
    undo: 'Typed V0',
    redo: null,
    said: null,
    ...changes,
  }
}

const told = (value: object) => value as unknown as Change['changed'][number]['value']

describe('a change that is answered', () => {
  it('puts what is new in its place, takes away what is gone, and keeps the rest', () => {
    const before = notebook()
    const now = applyChange(
      before,
      change({
        changed: [
          { kind: 'entry', id: 7, value: told(entry('V0', { id: 7, position: 0 })) },
          { kind: 'line', id: 1, value: null },
          { kind: 'run', id: 2, value: told(run(2, { name: 'Monday' })) },
          { kind: 'experiment', id: 1, value: told({ title: 'Another title' }) },
        ],
        stages: { prepare: true, record: true, reason: true, report: true },
      }),
    )
    expect(now.entries.map(({ symbol }) => symbol)).toEqual(['V0', 'c', 'titrant'])
    expect(now.lines.map(({ symbol }) => symbol)).toEqual(['n'])
    expect(now.runs.map(({ name }) => name)).toEqual(['Run 1', 'Monday'])
    expect(now.columns).toBe(before.columns)
    expect([now.title, now.revision, now.undo, now.stages.reason]).toEqual(['Another title', 6, 'Typed V0', true])
    expect(before.lines).toHaveLength(2)
  })

  it('keeps the stages where they are not told', () => {
    expect(applyChange(notebook(), change({})).stages).toEqual(notebook().stages)
  })

  it('is known to have left something out only if a revision is missing', () => {
    expect(hasMissed(notebook({ revision: 5 }), change({ revision: 6 }))).toBe(false)
    expect(hasMissed(notebook({ revision: 5 }), change({ revision: 7 }))).toBe(true)
  })

  it('brings the lines worked out anew, and drops those of lines and runs that are gone', () => {
    const now = notebook({ lines: [line(1, 'Veq'), line(3, 'mean', { isPerRun: false })], runs: [run(2)] })
    const lines = applyWorked(
      [worked('Veq', 1), worked('Veq', 2), worked('n', 2), worked('mean', null)],
      change({ worked: [worked('Veq', 2, { needs: 'Type c.' })] }),
      now,
    )
    expect(lines.map(({ symbol, runId, needs }) => [symbol, runId, needs])).toEqual([
      ['Veq', 2, 'Type c.'],
      ['mean', null, null],
    ])
  })
})
