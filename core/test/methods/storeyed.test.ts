import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { work, workDocument, working, type Problem } from '../../src/index.js'
import { frame, type Builder } from '../builder.js'
import { reevaluates } from './agrees.js'

const drawn = fc.record({
  bays: fc.array(fc.integer({ min: 3, max: 8 }), { minLength: 1, maxLength: 3 }),
  heights: fc.array(fc.integer({ min: 3, max: 5 }), { minLength: 1, maxLength: 3 }),
  base: fc.constantFrom('fixed' as const, 'pin' as const),
  loads: fc.array(fc.integer({ min: -30, max: 30 }), { minLength: 3, maxLength: 3 }),
  /** Members stated from top to bottom and from right to left. */
  turned: fc.boolean(),
})
type Drawn = typeof drawn extends fc.Arbitrary<infer T> ? T : never

function frameOf({ bays, heights, base, loads, turned }: Drawn): Problem {
  const x = [0, ...bays.map((_, i) => bays.slice(0, i + 1).reduce((a, b) => a + b))]
  const y = [0, ...heights.map((_, i) => heights.slice(0, i + 1).reduce((a, b) => a + b))]
  const name = (i: number, k: number) => `${'ABCD'[i]}${k}`
  let b: Builder = frame()
  x.forEach((at, i) => y.forEach((up, k) => (b = b.node(name(i, k), at, up))))
  const member = (from: string, to: string) => (b = turned ? b.member(to, from) : b.member(from, to))
  x.forEach((_, i) => heights.forEach((__, k) => member(name(i, k), name(i, k + 1))))
  bays.forEach((_, i) => heights.forEach((__, k) => member(name(i, k + 1), name(i + 1, k + 1))))
  x.forEach((_, i) => (b = b.support(name(i, 0), base)))
  heights.forEach((_, k) => (b = b.load({ type: 'nodal', node: name(0, k + 1), fx: loads[k] })))
  return b.problem
}

function worked(problem: Problem, key: 'portal' | 'cantilever') {
  const method = working.methodOf(key)!
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  const { solution, structure } = outcome
  expect(method.fits(problem, structure)).toEqual({ fits: true })
  const [action] = solution.cases
  const book = method.open({ problem, structure, action: action.id, solved: () => ({ solution, action }) })
  const { values } = workDocument(method, book)
  const value = (quantity: string, member: string, at: string) =>
    values.find((v) => v.quantity === quantity && v.member === member && v.at === at)!.value
  return { book, structure, value }
}

/** What members, loads and joints leave out of balance at each free joint: along x, along y, turning. */
function unbalanced(problem: Problem, { structure: s, value }: ReturnType<typeof worked>): number[] {
  const sums = new Map(s.nodes.map((n) => [n.id, [0, 0, 0]]))
  for (const m of s.members) {
    const [N, V] = [value('axial', m.id, '50%'), value('shear', m.id, '50%')]
    const force = [-N * m.cos - V * m.sin, -N * m.sin + V * m.cos]
    const ends = [
      [s.nodes[m.start].id, 1, -value('moment', m.id, '0%')],
      [s.nodes[m.end].id, -1, value('moment', m.id, '100%')],
    ] as const
    for (const [node, sign, moment] of ends) {
      const sum = sums.get(node)!
      sum[0] -= sign * force[0]
      sum[1] -= sign * force[1]
      sum[2] -= moment
    }
  }
  for (const load of problem.loadCases![0].loads)
    if (load.type === 'nodal') sums.get(load.node)![0] += Number(load.fx)
  const held = new Set(problem.supports!.map((p) => p.node))
  return [...sums].filter(([id]) => !held.has(id)).flatMap(([, sum]) => sum)
}

describe.each(['portal', 'cantilever'] as const)('the %s method', (key) => {
  it('balances every joint and member of any regular frame, each number by its formula', () => {
    fc.assert(
      fc.property(drawn, (d) => {
        const problem = frameOf(d)
        const it = worked(problem, key)
        for (const v of unbalanced(problem, it)) expect(Math.abs(v)).toBeLessThan(1e-9)
        for (const m of it.structure.members) {
          const turning = it.value('moment', m.id, '100%') - it.value('moment', m.id, '0%')
          expect(turning - it.value('shear', m.id, '50%') * m.length).toBeCloseTo(0, 9)
        }
        reevaluates(it.book)
      }),
      { numRuns: 40 },
    )
  })
})

describe('approximate analysis', () => {
  const two = { bays: [6, 6], heights: [4], base: 'fixed' as const, loads: [24, 0, 0], turned: false }
  it('gives an inner column twice the shear of an outer one', () => {
    const { value } = worked(frameOf(two), 'portal')
    expect(['A0A1', 'B0B1', 'C0C1'].map((id) => value('shear', id, '50%'))).toEqual([6, 12, 6])
    expect(value('moment', 'A0A1', '0%')).toBeCloseTo(-12)
  })
  it('gives the inner column in the middle no axial force as a cantilever', () => {
    const { value } = worked(frameOf(two), 'cantilever')
    // 24 kN, 2 m above inflection, on columns 12 m apart
    expect(['A0A1', 'B0B1', 'C0C1'].map((id) => value('axial', id, '50%'))).toEqual([4, 0, -4])
  })
  it('is not offered where a beam is loaded or missing', () => {
    const why = (problem: Problem) => {
      const outcome = work(problem)
      if (outcome.stage === 'invalid') throw new Error('read')
      const fit = working.methodOf('portal')!.fits(problem, outcome.structure)
      return fit.fits ? '' : fit.why
    }
    const problem = frameOf(two)
    expect(why({ ...problem, members: problem.members.filter((m) => m.id !== 'A1B1') })).toMatch(/regular/)
    const loads = [{ type: 'distributed' as const, member: 'A1B1', direction: 'Y' as const, q: -5 }]
    expect(why({ ...problem, loadCases: [{ id: '1', loads }] })).toMatch(/level and at a joint/)
  })
})
