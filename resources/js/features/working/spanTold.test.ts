import { describe, expect, it } from 'vitest'
import { notebook } from '../../testing/notebook'
import { spanTold } from './spanTold'

describe('a marked stretch of x', () => {
  it('becomes a span of the column that is x, named by its number, in six digits', () => {
    const book = notebook({ spans: [{ id: 4, columnId: 1, name: 'start', from: 0, to: 1, ofRuns: [] }] })
    expect(spanTold(book, { from: 1.23456789, to: 12 })).toEqual({
      span: { columnId: book.columns[0]?.id, name: 'span 2', from: 1.23457, to: 12 },
    })
  })

  it('is none where no figure says what x is', () => {
    expect(spanTold(notebook({ figures: [] }), { from: 0, to: 1 })).toEqual({})
  })
})
