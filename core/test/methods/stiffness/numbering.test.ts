import { describe, expect, it } from 'vitest'
import { checkProblem, edit, work, working, type Problem } from '../../../src/index.js'
import { frame, solved } from '../../builder.js'

const p = frame()
  .node('A', 0, 0)
  .node('B', 4, 0)
  .node('C', 4, 3)
  .member('A', 'B')
  .member('B', 'C')
  .support('A', 'fixed')
  .support('C', 'pin')
  .load({ type: 'nodal', node: 'B', fx: 5, fy: -7, m: 2 }).problem
const names = (problem: Problem) => {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  return working
    .inOrder(working.unknowns(working.numbered(outcome.solution, problem)))
    .map((u) => `${u.node} ${u.component}`)
}

describe('the numbering of unknowns', () => {
  it('has the free ones first unless the problem asks for another', () => {
    expect(names(p)).toEqual([
      'B x',
      'B y',
      'B rotation',
      'C rotation',
      'A x',
      'A y',
      'A rotation',
      'C x',
      'C y',
    ])
    expect(names(edit.setView(p, 'numbering', 'held-first')).slice(0, 3)).toEqual([
      'A x',
      'A y',
      'A rotation',
    ])
    expect(names(edit.setView(p, 'numbering', 'by-joint'))).toEqual([
      'A x',
      'A y',
      'A rotation',
      'B x',
      'B y',
      'B rotation',
      'C rotation',
      'C x',
      'C y',
    ])
  })
  it('takes a list of one’s own, which may name what is gone and leave out what is new', () => {
    const own = edit.setView(p, 'numbering', ['C rotation', 'gone x', 'A y', 'A y', 'B rotation'])
    expect(names(own)).toEqual([
      'C rotation',
      'A y',
      'B rotation',
      'B x',
      'B y',
      'A x',
      'A rotation',
      'C x',
      'C y',
    ])
    expect(checkProblem(own).ok).toBe(true)
  })
  it.each([undefined, 7, 'sideways', [1, 2], { a: 1 }])('is the usual one for %o', (wish) =>
    expect(working.numberingOf({ view: { numbering: wish } })).toBe('free-first'),
  )
  it('moves one unknown to a number, the others up or down', () => {
    expect(working.renumbered(['a', 'b', 'c', 'd'], 'd', 2)).toEqual(['a', 'd', 'b', 'c'])
    expect(working.renumbered(['a', 'b', 'c', 'd'], 'a', 99)).toEqual(['b', 'c', 'd', 'a'])
    expect(working.numbersOf([], [], [])).toEqual([])
  })
  it('is followed by the matrices, the elimination and the names of numbers, and changes no value', () => {
    const usual = solved(p)
    const other = edit.setView(p, 'numbering', ['B rotation', 'A x', 'C rotation', 'B y', 'B x'])
    const outcome = work(other)
    if (outcome.stage !== 'solved') throw new Error('solved')
    const { solution } = outcome
    expect(solution.cases[0].D).toEqual(usual.cases[0].D)
    const units = other.units as { length: string; force: string }
    const book = working.ledger(solution, units, solution.cases[0], other)
    const K = working.stepsOf(book).find((s) => s.key === 'assembly')!.passages[0].blocks[0]
    if (K.kind !== 'matrix') throw new Error('a matrix')
    expect(working.printedMatrix(book, K).columns).toEqual(['1', '2', '3', '4', '5', '6', '7', '8', '9'])
    expect(K.parting).toBeUndefined()
    // row 1 of K is that of B's rotation
    const turn = working.unknowns(book.context).find((u) => u.node === 'B' && u.component === 'rotation')!
    expect(K.at(0, 0)).toBe(`K/${turn.index + 1}/${turn.index + 1}`)
    expect(working.symbolText(book.entry(K.at(0, 1))!.symbol)).toBe('K₁₂')
    const e = working.gaussElimination(book.context, units, solution.cases[0])!
    expect(e.start.unknowns.map((u) => u.number)).toEqual([1, 3, 4, 5])
    for (const b of e.back)
      expect(b.value).toBeCloseTo(solution.cases[0].D[e.start.unknowns[b.row].index], 12)
    const last = book.origin(`D/${e.start.unknowns[0].index + 1}`)
    expect(last.symbol).toEqual({ letter: 'D', sub: '1' })
    if (last.origin.kind !== 'formula') throw new Error('a formula')
    expect(working.evaluateFormula(last.origin.formula).value).toBeCloseTo(last.value, 12)
  })
})
