import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { factor } from '../../src/analysis/factor.js'
import { add, sparse } from '../../src/analysis/sparse.js'
import { prepare } from '../../src/analysis/system.js'
import { caseActions } from '../../src/structure/case-actions.js'
import {
  courseOf,
  createSolver,
  edit,
  resolve,
  sidesAt,
  work,
  type Load,
  type Problem,
} from '../../src/index.js'
import { anyLoad } from '../any-load.js'
import { frame, refusal, truss } from '../builder.js'

const portal = frame()
  .node('A', 0, 0)
  .node('B', 0, 4)
  .node('C', 6, 5)
  .node('D', 6, 0)
  .member('A', 'B')
  .member('B', 'C', { releases: { end: { M: 300 } } })
  .member('C', 'D')
  .support('A', 'fixed')
  .support('D', { type: 'pin', settlement: { y: -0.01 }, settlementCase: '2' })
  .load({ type: 'nodal', node: 'B', fx: 12 })
  .loadCase('2', { type: 'distributed', member: 'AB', direction: 'X', q: 3 })
const structureOf = (p: Problem) => {
  const r = resolve(p)
  if (!r.ok) throw new Error(r.errors[0].message)
  return r.structure
}

describe('a system that is kept', () => {
  it('solves any actions with one factorisation', () => {
    const s = structureOf(portal.problem)
    const prepared = prepare(s)
    if (!prepared.ok) throw new Error(prepared.error.message)
    const outcome = work(portal.problem)
    if (outcome.stage !== 'solved') throw new Error('solved')
    s.cases.forEach((_, i) => {
      const state = prepared.system.solve(caseActions(s, i))
      if ('kind' in state) throw new Error(state.message)
      expect(state.D).toEqual(outcome.solution.cases[i].D)
      expect(state.reactions).toEqual(outcome.solution.cases[i].reactions)
    })
  })
  it('keeps the order of elimination when a member changes, not when the pattern does', () => {
    const first = prepare(structureOf(portal.problem))
    if (!first.ok) throw new Error('prepared')
    const stiffer = edit.setSection(portal.problem, 's', { I: 5e-4 })
    const second = prepare(structureOf(stiffer), first.system)
    if (!second.ok) throw new Error('prepared')
    expect(second.system.factorisation.symbolic).toBe(first.system.factorisation.symbolic)
    const braced = prepare(structureOf(portal.member('B', 'D').problem), second.system)
    if (!braced.ok) throw new Error('prepared')
    expect(braced.system.factorisation.symbolic).not.toBe(first.system.factorisation.symbolic)
  })
  it('a solver that goes on from the last problem finds what a new one finds', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ kind: fc.nat(7), v: fc.double({ min: 0.5, max: 9, noNaN: true }), load: anyLoad }),
          {
            minLength: 1,
            maxLength: 6,
          },
        ),
        (edits) => {
          const solver = createSolver()
          let p = portal.problem
          solver(p)
          for (const { kind, v, load } of edits) {
            p = changed(p, kind, v, load)
            const [kept, fresh] = [solver(p), work(p)]
            expect(kept).toEqual(fresh)
          }
        },
      ),
    ))
  it('takes over the states of an edit that changes no mechanics', () => {
    const solver = createSolver()
    const before = solver(portal.problem)
    const after = solver(edit.renameNode(edit.setText(portal.problem, 'title', 'other'), 'B', 'Q'))
    if (before.stage !== 'solved' || after.stage !== 'solved') throw new Error('solved')
    expect(after.solution.cases[0].D).toBe(before.solution.cases[0].D)
    expect(after.solution.elements).toBe(before.solution.elements)
    expect(after.solution.structure.nodes[1].id).toBe('Q')
  })
})

function changed(p: Problem, kind: number, v: number, load: Load): Problem {
  switch (kind) {
    case 0:
      return edit.addLoad(p, '1', load)
    case 1:
      return edit.setNode(p, 'C', { x: 5 + v / 10 })
    case 2:
      return edit.setSection(p, 's', { I: v * 1e-4, depth: v / 10 })
    case 3:
      return edit.setSupport(p, 'D', { type: 'pin', settlement: { y: -v / 1000 } })
    case 4:
      return edit.setHinge(p, 'CD', 'end', v > 4)
    case 5:
      return edit.setMaterial(p, 'm', { alpha: v * 1e-6 })
    case 6:
      return edit.setCase(p, '2', { selfWeight: v })
    default:
      return edit.setText(p, 'title', String(v))
  }
}

describe('the inertia of a factorisation', () => {
  it('counts negative eigenvalues, and leaves it to the caller what they mean', () => {
    const a = sparse(3, 6)
    // diag(4, −2, 5) with a small coupling
    for (const [i, j, v] of [
      [0, 0, 4],
      [1, 1, -2],
      [2, 2, 5],
      [1, 0, 1],
    ])
      add(a, i, j, v)
    const f = factor(a)
    expect(f.negative).toEqual([1])
    expect(f.singular).toEqual([])
    const x = f.solve(Float64Array.from([5, -1, 10]))
    expect(4 * x[0] + x[1]).toBeCloseTo(5, 12)
    expect(x[0] - 2 * x[1]).toBeCloseTo(-1, 12)
  })
})

describe('numbers out of all bounds', () => {
  it('are an error of its own, never a result', () => {
    const b = frame()
      .node('A', 0, 0)
      .node('B', '1e-110 m', 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .set({ materials: [{ id: 'm', E: 1e47 }] })
      .load({ type: 'nodal', node: 'B', fy: -1 })
    expect(refusal(b.problem)).toMatchObject({ kind: expect.stringMatching(/mechanism|diverged/) as string })
    const huge = frame().node('A', 0, 0).node('B', 1e308, 0).member('A', 'B')
    expect(refusal(huge.problem)).toMatchObject({ kind: 'invalid', path: 'nodes[1].x' })
  })
})

describe('many motions', () => {
  it('name the joints of all of them, also beyond those told apart', () => {
    let b = truss().node('A', 0, 0).support('A', 'pin')
    for (let i = 0; i < 260; i++) b = b.node(`n${i}`, Math.cos(i), 1 + i).member('A', `n${i}`)
    const error = refusal(b.problem)
    if (!('nodes' in error)) throw new Error('a mechanism')
    expect(error).toMatchObject({ kind: 'mechanism' })
    expect(error.nodes).toHaveLength(260)
  })
})

describe('a course', () => {
  const s = portal.load({ type: 'point', member: 'AB', at: 1, fx: 4 })
  const outcome = work(s.problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  const course = courseOf(outcome.solution, outcome.solution.cases[0], 0)
  it('refuses a place beyond an end', () => {
    expect(() => sidesAt(course, 4.2)).toThrow(RangeError)
    expect(() => sidesAt(course, -0.1)).toThrow(RangeError)
    expect(() => sidesAt(course, NaN)).toThrow(RangeError)
  })
  it('has both sides of a jump, and the same on both where there is none', () => {
    const { left, right } = sidesAt(course, 1)
    expect(Math.abs(left.V - right.V)).toBeCloseTo(4000, 6)
    const even = sidesAt(course, 2.5)
    expect(even.left).toBe(even.right)
  })
  it('finds where a quantity passes a level', () => {
    const [stretch] = course.stretches
    const level = (stretch.value('M', 0) + stretch.value('M', 1)) / 2
    expect(stretch.roots('M', level)).toHaveLength(1)
    expect(stretch.value('M', stretch.roots('M', level)[0])).toBeCloseTo(level, 6)
  })
  it('has a displacement along a member whose axial force is undetermined', () => {
    const chain = frame()
      .node('A', 0, 0)
      .node('B', 3, 0)
      .node('C', 6, 0)
      .member('A', 'B', { axiallyRigid: true })
      .member('B', 'C', { axiallyRigid: true })
      .support('A', 'fixed')
      .support('C', 'fixed')
      .load({ type: 'nodal', node: 'B', fx: 7, fy: -3 })
    const o = work(chain.problem)
    if (o.stage !== 'solved') throw new Error('solved')
    const along = courseOf(o.solution, o.solution.cases[0], 0)
    expect(along.stretches[0].value('N', 1)).toBeNaN()
    expect(along.stretches[0].value('u', 1)).toBe(0)
  })
})
