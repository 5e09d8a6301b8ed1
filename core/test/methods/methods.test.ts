import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import {
  checkAnswer,
  methodsDocument,
  work,
  workDocument,
  working,
  type Answer,
  type Problem,
} from '../../src/index.js'

const CASES = new URL('../cases/', import.meta.url)
const problems = readdirSync(CASES)
  .filter((f) => f.endsWith('.viga.json'))
  .map((f) => [f, JSON.parse(readFileSync(new URL(f, CASES), 'utf8')) as Problem] as const)

function opened(problem: Problem, method: working.Method, last = false) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  const { solution, structure } = outcome
  const action = [...solution.cases, ...solution.combinations].at(last ? -1 : 0)!
  const book = method.open({ problem, structure, action: action.id, solved: () => ({ solution, action }) })
  return { book, structure, solution, action }
}

describe('the list of methods', () => {
  it('has a title, steps of their own keys, and a sentence where a method does not fit', () => {
    for (const m of working.METHODS) {
      expect(m.title).toMatch(/^[A-Z]/)
      expect(new Set(m.steps.map((s) => s.key)).size).toBe(m.steps.length)
      for (const [, problem] of problems) {
        const outcome = work(problem)
        if (outcome.stage === 'invalid') throw new Error('read')
        const fit = m.fits(problem, outcome.structure)
        if (!fit.fits) expect(fit.why).toMatch(/^[A-Z].*\.$/)
      }
    }
  })
  it('is the one that addresses and the Figure read', () =>
    expect(working.OUTLINES.map((o) => [o.key, o.steps.map((s) => s.key)])).toEqual(
      working.METHODS.map((m) => [m.key, m.steps.map((s) => s.key)]),
    ))
  it('is printed with each method and whether it fits', () => {
    const [, problem] = problems[0]
    const { structure } = opened(problem, working.STIFFNESS_METHOD)
    expect(methodsDocument(problem, structure).methods).toContainEqual({
      key: 'stiffness',
      title: 'Stiffness method',
      fits: true,
    })
  })
})

describe.each(problems)('%s', (_, problem) => {
  const fitting = working.METHODS.filter((m) => {
    const outcome = work(problem)
    return outcome.stage !== 'invalid' && m.fits(problem, outcome.structure).fits
  })
  it.each(fitting.map((m) => [m.key, m] as const))('%s finds what the solver finds', (__, method) => {
    for (const last of [false, true]) {
      const { book, solution, action } = opened(problem, method, last)
      const document = workDocument(method, book)
      expect(document).toMatchObject({ format: 'viga-work', method: method.key, case: action.id })
      expect(document.steps.length).toBeGreaterThan(0)
      for (const step of document.steps) expect(step.text.length).toBeGreaterThan(20)
      expect(document.values.length).toBeGreaterThan(0)
      if (method.approximate) continue
      for (const v of document.values) {
        const answer = { ...v, id: 'v', case: action.id } as Answer
        const verdict = checkAnswer(problem, solution, answer)
        const size = Math.max(1e-6, ...document.values.map((o) => Math.abs(o.value)))
        expect(Math.abs((verdict.computed ?? NaN) - v.value), JSON.stringify(v)).toBeLessThan(1e-9 * size)
      }
    }
  })
})

describe('the stiffness method', () => {
  const { book } = opened(problems.find(([f]) => f.startsWith('orchid'))![1], working.STIFFNESS_METHOD)
  const { named } = workDocument(working.STIFFNESS_METHOD, book)
  it('names the fixed-end moments, counter-clockwise positive, and the rotations', () => {
    const moments = named.filter((n) => n.name === 'fixed-end-moment')
    expect(moments.map((n) => [n.member, n.end])).toContainEqual(['AC', 'start'])
    // a load downward turns the start counter-clockwise and the end clockwise
    const [start, end] = moments
    expect(Math.sign(start.value!) * Math.sign(end.value!)).toBe(-1)
    expect(named.filter((n) => n.name === 'rotation').length).toBeGreaterThan(0)
  })
})
