import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { workWithSystem, type Problem } from '../../src/index.js'
import { altered, distributed, endStiffness, turningJoints } from '../../src/checking/slips/distribution.js'
import { stateUnder } from '../../src/analysis/state.js'
import { caseActions } from '../../src/structure/case-actions.js'
import { frame } from '../builder.js'

const solvedOf = (p: Problem) => {
  const { solved } = workWithSystem(p)
  if (!solved) throw new Error('not solved')
  return solved
}

/** A beam over several supports, the first end fixed or hinged, with an overhang where one is asked for. */
function beam(spans: number[], loads: number[], EI: number[], fixed: boolean, overhang: boolean): Problem {
  const name = (i: number) => 'ABCDEFG'[i]
  let f = frame()
    .node('A', 0, 0)
    .support('A', fixed ? 'fixed' : 'pin')
    .set({ sections: EI.map((v, i) => ({ id: `s${i}`, EI: v * 1e4, EA: 1e6 })) })
  let x = 0
  for (const [i, L] of spans.entries()) {
    x += L
    f = f.node(name(i + 1), x, 0).member(name(i), name(i + 1), { section: `s${i}` })
    if (!(overhang && i === spans.length - 1)) f = f.support(name(i + 1), 'roller')
    f = f.load({ type: 'distributed', member: name(i) + name(i + 1), direction: 'Y', q: -loads[i] })
  }
  return f.problem
}

const beams = fc
  .tuple(fc.integer({ min: 2, max: 4 }), fc.boolean(), fc.boolean())
  .chain(([n, fixed, overhang]) =>
    fc.record({
      spans: fc.array(fc.integer({ min: 2, max: 9 }), { minLength: n, maxLength: n }),
      loads: fc.array(fc.integer({ min: 0, max: 30 }), { minLength: n, maxLength: n }),
      EI: fc.array(fc.integer({ min: 1, max: 4 }), { minLength: n, maxLength: n }),
      fixed: fc.constant(fixed),
      overhang: fc.constant(overhang && n > 2),
    }),
  )

/** End forces of the first case with the rounds altered. */
function forces(p: Problem, slip: Parameters<typeof altered>[1]) {
  const { solution } = solvedOf(p)
  const system = distributed(solution.structure)
  const other = system && altered(system, slip)
  if (!other) throw new Error('nothing is distributed')
  const state = stateUnder(other, caseActions(other.structure, 0))
  if ('kind' in state) throw new Error(state.message)
  return { state, system }
}

/** Moment distribution as it is done by hand, round after round, for members that do not sway. */
function byHand(p: Problem, carry: number): number[] {
  const { solution } = solvedOf(p)
  const system = distributed(solution.structure)!
  const s = system.structure
  const first = stateUnder(system, caseActions(s, 0))
  if ('kind' in first) throw new Error(first.message)
  // counter-clockwise moments on the members, start and end
  const M = s.members.map((_, i) => [first.fixed.get(i)?.[2] ?? 0, first.fixed.get(i)?.[5] ?? 0])
  for (let round = 0; round < 400; round++)
    for (const { ends } of turningJoints(s)) {
      const unbalanced = ends.reduce((sum, e) => sum + M[e.member][e.end], 0)
      const total = ends.reduce((sum, e) => sum + endStiffness(system.elements[e.member], e.end), 0)
      for (const e of ends) {
        const taken = (-unbalanced * endStiffness(system.elements[e.member], e.end)) / total
        M[e.member][e.end] += taken
        const hinged = s.members[e.member].releases[e.end === 0 ? 5 : 2] === true
        if (!hinged) M[e.member][1 - e.end] += carry * taken
      }
    }
  return M.flat()
}

describe('moment distribution as equations', () => {
  it('gives the solution of the stiffness method where half is carried over', () =>
    fc.assert(
      fc.property(beams, ({ spans, loads, EI, fixed, overhang }) => {
        const p = beam(spans, loads, EI, fixed, overhang)
        const { state } = forces(p, { carryOver: 0.5 })
        const right = solvedOf(p).solution.cases[0]
        const size = Math.max(1, ...right.forces.map(Math.abs))
        right.forces.forEach((v, i) => expect(Math.abs(v - state.forces[i])).toBeLessThan(1e-6 * size))
      }),
      { numRuns: 60 },
    ))
  it.each([0, 0.5, 0.8])('comes to rest where the rounds by hand do, with %d carried over', (carry) =>
    fc.assert(
      fc.property(beams, ({ spans, loads, EI, fixed }) => {
        const p = beam(spans, loads, EI, fixed, false)
        const { state } = forces(p, { carryOver: carry })
        const hand = byHand(p, carry)
        const size = Math.max(1, ...hand.map(Math.abs))
        hand.forEach((m, i) => {
          const at = 6 * Math.floor(i / 2) + (i % 2 === 0 ? 2 : 5)
          expect(Math.abs(state.forces[at] - m)).toBeLessThan(1e-6 * size)
        })
      }),
      { numRuns: 30 },
    ),
  )
  it('keeps every joint in balance, whatever is carried over', () => {
    const p = beam([4, 6, 5], [10, 20, 5], [1, 2, 1], true, false)
    for (const carryOver of [0, 1]) {
      const { state } = forces(p, { carryOver })
      for (const i of [0, 1]) expect(state.forces[6 * i + 5] + state.forces[6 * i + 8]).toBeCloseTo(0, 6)
    }
  })
})
