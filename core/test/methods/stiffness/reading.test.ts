import { describe, expect, it } from 'vitest'
import { edit, newProblem, working, work, type Problem } from '../../../src/index.js'
import { frame } from '../../builder.js'

const { readingOf } = working

describe('the reading of a working', () => {
  it('is as usual where a problem says nothing, or nothing sensible', () => {
    const usual = { figures: 5, power: true, dimmed: false, factor: 'none' }
    for (const reading of [
      undefined,
      null,
      7,
      'much',
      [],
      { figures: 99 },
      { figures: '5', power: 1, dimmed: 'yes', factor: 'all' },
    ])
      expect(readingOf({ view: { reading } })).toEqual(usual)
    expect(readingOf(undefined)).toEqual(usual)
    expect(readingOf(newProblem('x'))).toEqual(usual)
  })
  it('is what was chosen, kept in the view of the problem', () =>
    expect(
      readingOf(
        edit.setView(newProblem('x'), 'reading', { figures: 8, power: false, dimmed: true, factor: 'own' }),
      ),
    ).toEqual({ figures: 8, power: false, dimmed: true, factor: 'own' }))

  const p = frame()
    .node('A', 0, 0)
    .node('B', 7, 0)
    .member('A', 'B')
    .support('A', 'fixed')
    .load({ type: 'nodal', node: 'B', fy: -5 }).problem
  const book = (problem: Problem) => {
    const outcome = work(problem)
    if (outcome.stage !== 'solved') throw new Error('solved')
    return working.ledger(outcome.solution, problem.units, outcome.solution.cases[0], problem)
  }
  it('gives matrices and texts their figures, and takes out no power of ten unless asked', () => {
    const wide = edit.setView(p, 'reading', { figures: 8, power: false })
    const K = (problem: Problem) => {
      const b = working.stepsOf(book(problem)).find((s) => s.key === 'assembly')!.passages[0].blocks[0]
      if (b.kind !== 'matrix') throw new Error('a matrix')
      return working.printedMatrix(book(problem), b)
    }
    expect(K(p).power).not.toBe(0)
    expect(K(wide).power).toBe(0)
    const digits = (text: string) =>
      Math.max(...(text.match(/\d+(\.\d+)?/g) ?? []).map((d) => d.replace('.', '').replace(/^0+/, '').length))
    expect(digits(working.workingMarkdown(book(p)).match(/q_\{2\}[^$]*/)![0])).toBeLessThanOrEqual(5)
    expect(working.workingMarkdown(book(wide))).toMatch(/\d\.\d{6,}/)
  })
  it('writes entries of matrices narrow, and never 0 for what is not 0', () => {
    expect(working.shownEntry(1695.83, 3, { figures: 5 })).toBe('1.696')
    expect(working.shownEntry(1695.8312, 0, { figures: 8 })).toBe('1\u2009695.8312')
    expect(working.shownEntry(12, 0, { figures: 8 })).toBe('12')
    expect(working.shownEntry(0.0000012, 3, { figures: 5 })).not.toBe('0')
  })
})
