import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { courseOf, type Load, type Member, type Problem, type Solution } from '../../src/index.js'
import { chordAt, sidesAt } from '../../src/analysis/course.js'
import { stateUnder } from '../../src/analysis/state.js'
import { prepare } from '../../src/analysis/system.js'
import { noActions, type Actions } from '../../src/structure/actions.js'
import type { Structure } from '../../src/structure/types.js'
import { frame, solved } from '../builder.js'

/**
 * Second order by another road: the axial force on the slope of the bent member, N·v′, is put on the
 * structure as couples along its members, and first order is solved again and again until nothing changes.
 */
const GRID = 96

function byFictitiousLoads(s: Structure, actions: Actions, title: string): Solution {
  const prepared = prepare({ ...s, order: 1 })
  if (!prepared.ok) throw new Error(prepared.error.message)
  const { system } = prepared
  let solution: Solution | undefined
  for (let round = 0; round < 400; round++) {
    const acting = withCouples(s, actions, solution)
    const state = stateUnder(system, acting)
    if ('kind' in state) throw new Error(state.message)
    const before = solution?.cases[0].D
    const action = { id: '1', title, kind: 'case' as const, actions: acting, ...state }
    solution = {
      structure: { ...s, order: 1 },
      dofs: system.dofs,
      elements: system.elements,
      cases: [action],
      combinations: [],
      digitsLost: 0,
      open: [],
    }
    if (
      before &&
      state.D.every((v, i) => Math.abs(v - before[i]) <= 1e-12 * Math.max(...state.D.map(Math.abs)))
    )
      return solution
  }
  throw new Error('no rest')
}

function withCouples(s: Structure, actions: Actions, before: Solution | undefined): Actions {
  if (!before) return actions
  const members = new Map(actions.members)
  const nodal = actions.nodal.slice()
  s.members.forEach((m, i) => {
    const course = courseOf(before, before.cases[0], i)
    if (m.bar) {
      const { N } = course.start
      const across = (N * (course.end.v - course.start.v)) / m.length
      ;[m.start, m.end].forEach((node, e) => {
        const f = e === 0 ? across : -across
        nodal[3 * node] += f * -m.sin
        nodal[3 * node + 1] += f * m.cos
      })
      return
    }
    const own = actions.members.get(i) ?? noActions()
    const spans = [...own.spans]
    for (let k = 0; k < GRID; k++) {
      const [a, b] = [(m.length * k) / GRID, (m.length * (k + 1)) / GRID]
      const at = (x: number, side: 'left' | 'right') => {
        const t = sidesAt(course, x)[side]
        return -t.N * t.slope
      }
      spans.push({ a, b, p: [0, 0], q: [0, 0], c: [at(a, 'right'), at(b, 'left')] })
    }
    members.set(i, { ...own, spans })
  })
  return { ...actions, nodal, members }
}

const amount = (most: number) => fc.double({ min: -most, max: most, noNaN: true })
const load: fc.Arbitrary<(member: string) => Load> = fc.oneof(
  fc.tuple(amount(9), amount(9)).map(([a, b]) => (member: string): Load => ({
    type: 'distributed',
    member,
    direction: 'y',
    points: [
      { at: '10%', q: a },
      { at: '80%', q: b },
    ],
  })),
  fc
    .tuple(amount(15), amount(15), fc.double({ min: 0.1, max: 0.9, noNaN: true }))
    .map(([fx, fy, at]) => (member: string): Load => ({ type: 'point', member, at: `${100 * at}%`, fx, fy })),
  amount(20).map((q) => (member: string): Load => ({ type: 'distributed', member, direction: 'x', q })),
  amount(40).map((g) => (member: string): Load => ({
    type: 'temperature',
    member,
    uniform: g,
    gradient: g / 2,
  })),
  amount(0.004).map((kink) => (member: string): Load => ({
    type: 'misfit',
    member,
    at: '40%',
    slip: 0,
    kink,
  })),
)

const release = fc.constantFrom<Member['releases']>(
  undefined,
  undefined,
  { end: { M: true } },
  { start: { M: '2000 kN*m' } },
)

/** Two storeys of one bay, leaning a little, with what a statement may hold. */
const problem = fc
  .record({
    widths: fc.tuple(fc.double({ min: 3, max: 7, noNaN: true }), fc.double({ min: 3, max: 5, noNaN: true })),
    lean: amount(0.6),
    weights: fc.array(fc.double({ min: 20, max: 400, noNaN: true }), { minLength: 2, maxLength: 2 }),
    wind: amount(12),
    releases: fc.array(release, { minLength: 2, maxLength: 2 }),
    loads: fc.array(fc.tuple(fc.constantFrom('AB', 'BC', 'CE', 'BD', 'EF'), load), { maxLength: 4 }),
    settles: amount(0.01),
    rigid: fc.boolean(),
  })
  .map(({ widths: [w, h], lean, weights, wind, releases, loads, settles, rigid }): Problem => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', lean, h)
      .node('C', lean, 2 * h)
      .node('D', w + lean, h)
      .node('E', w + lean, 2 * h)
      .node('F', w, 0)
      .member('A', 'B', rigid ? { axiallyRigid: true } : {})
      .member('B', 'C')
      .member('C', 'E', { releases: releases[0] })
      .member('B', 'D', { releases: releases[1] })
      .member('D', 'E')
      .member('F', 'D')
      .member('B', 'E', { type: 'bar' })
      .support('A', 'fixed')
      .support('F', {
        restrain: { x: 'fixed', y: 'fixed', rotation: '5000 kN*m' },
        settlement: { y: settles },
      })
      .load(
        { type: 'nodal', node: 'C', fx: wind, fy: -weights[0] },
        { type: 'nodal', node: 'E', fy: -weights[1] },
      )
    const there = new Set(p.problem.members.map((m) => m.id))
    return p
      .load(...loads.filter(([id]) => there.has(id)).map(([id, make]) => make(id)))
      .set({ analysis: { order: 2 } }).problem
  })

describe('second order against first order with fictitious couples', () => {
  it('gives the same displacements, forces and deflections', () => {
    fc.assert(
      fc.property(problem, (p) => {
        const s = solved(p)
        const [a] = s.cases
        fc.pre(a.bent!.loadFactor === null || a.bent!.loadFactor > 2)
        const other = byFictitiousLoads(s.structure, a.actions, '1')
        const [b] = other.cases
        const most = (v: Float64Array) => v.reduce((m, x) => Math.max(m, Math.abs(x)), 0)
        const near = (x: number, y: number, size: number) => expect(Math.abs(x - y)).toBeLessThan(2e-4 * size)
        a.D.forEach((v, i) => near(v, b.D[i], most(a.D)))
        a.reactions.forEach((v, i) => near(v, b.reactions[i], most(a.reactions)))
        s.structure.members.forEach((m, i) => {
          const [mine, theirs] = [courseOf(s, a, i), courseOf(other, b, i)]
          for (const share of [0.2, 0.55, 0.9]) {
            const x = share * m.length
            const [t, u] = [sidesAt(mine, x).left, sidesAt(theirs, x).left]
            near(t.N, u.N, most(a.forces))
            near(t.M, u.M, most(a.forces))
            near(t.v - chordAt(mine, x), u.v - chordAt(theirs, x), most(a.D))
          }
        })
      }),
      { numRuns: 40 },
    )
  })
})
