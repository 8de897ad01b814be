import { describe, expect, it } from 'vitest'
import { Problem, sentenceOf } from './problem'

describe('Problem', () => {
  it('keeps the sentence and the code of the server', () => {
    const problem = Problem.from(409, { code: 'not-steady', detail: 'Not steady yet.' })
    expect([problem.message, problem.code, problem.isPassing]).toEqual(['Not steady yet.', 'not-steady', false])
  })

  it('has a sentence even for an answer that is none', () => {
    expect(Problem.from(502, '<html>').message).toBe(
      'The server gave no clear answer. What is stored is safe; try again.',
    )
    expect(sentenceOf('?')).toBe('Something went wrong. Try again.')
  })

  it('knows what is worth trying again', () => {
    expect([Problem.offline().isPassing, Problem.from(503, {}).isPassing, Problem.from(500, {}).isPassing]).toEqual([
      true,
      true,
      false,
    ])
  })
})
