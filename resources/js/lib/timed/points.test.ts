import { describe, expect, it } from 'vitest'
import { unpackPoints, withTail } from './points'

/** Packs as the server does: docs/openapi.yaml. */
function packed(from: number, to: number, columns: { isSamples: boolean; pairs: [number, number][] }[]): ArrayBuffer {
  const bytes = new ArrayBuffer(16 + columns.reduce((sum, { pairs }) => sum + 8 + 8 * pairs.length, 0))
  const view = new DataView(bytes)
  view.setFloat64(0, from, true)
  view.setFloat64(8, to, true)
  let at = 16
  for (const { isSamples, pairs } of columns) {
    view.setUint32(at, isSamples ? 1 : 0, true)
    view.setUint32(at + 4, pairs.length, true)
    at += 8
    for (const [a, b] of pairs) {
      view.setFloat32(at, a, true)
      view.setFloat32(at + 4, b, true)
      at += 8
    }
  }
  return bytes
}

describe('points of a run', () => {
  it('are samples where there are few, by the time of the run', () => {
    const bytes = packed(-2, 8, [
      { isSamples: true, pairs: [[0, 5], [2.5, 6]] }, // prettier-ignore
      { isSamples: true, pairs: [] },
    ])
    expect(unpackPoints(bytes, ['p', 'T'])).toEqual({ from: -2, to: 8, lines: { p: [[-2, 5], [0.5, 6]], T: [] } }) // prettier-ignore
  })

  it('are an outline through the smallest and largest of each column of pixels, up and down in turn', () => {
    const bytes = packed(0, 4, [
      { isSamples: false, pairs: [[1, 2], [0, 3], [Number.NaN, Number.NaN], [5, 5]] }, // prettier-ignore
    ])
    expect(unpackPoints(bytes, ['p']).lines.p).toEqual([[0.5, 1], [0.5, 2], [1.5, 3], [1.5, 0], [3.5, 5]]) // prettier-ignore
  })

  it('are followed by what was shown live since', () => {
    expect(withTail([[0, 1], [1, 2]], [[0.5, 9], [1, 9], [1.5, 3]])).toEqual([[0, 1], [1, 2], [1.5, 3]]) // prettier-ignore
    expect(withTail([], [[0.5, 9]])).toEqual([[0.5, 9]])
  })
})
