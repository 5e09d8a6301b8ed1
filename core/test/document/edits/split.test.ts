import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  displacementAt,
  divideMember,
  joinCrossing,
  problemErrors,
  splitMember,
  splitMemberAt,
  type Load,
} from '../../../src/index.js'
import { anyLoad } from '../../any-load.js'
import { frame, solved } from '../../builder.js'

const beam = (...loads: Load[]) =>
  frame()
    .node('A', 0, 0)
    .node('B', 5, 1)
    .node('C', 9, -1)
    .member('A', 'B', { releases: { end: { M: '900 kN*m' } } })
    .member('B', 'C')
    .support('A', 'fixed')
    .support('C', 'pin')
    .load(...loads)

describe('splitting a member', () => {
  it('changes nothing for the structure, whatever acts on it and wherever it is cut', () => {
    fc.assert(
      fc.property(
        fc.array(anyLoad, { minLength: 1, maxLength: 4 }),
        fc.array(fc.double({ min: 0.02, max: 0.98, noNaN: true }), { minLength: 1, maxLength: 3 }),
        (loads, shares) => {
          const whole = beam(...loads).problem
          const { problem, nodes } = splitMember(whole, 'AB', shares)
          expect(problemErrors(problem)).toEqual([])
          expect(problem.members).toHaveLength(2 + nodes.length)
          const [a, b] = [solved(whole), solved(problem)]
          const scale = Math.max(1e-4, ...a.cases[0].D.map(Math.abs))
          whole.nodes.forEach((_, i) => {
            const [u, v] = [displacementAt(a, a.cases[0], i), displacementAt(b, b.cases[0], i)]
            for (const c of ['x', 'y', 'rotation'] as const)
              // places are rounded to four decimals of a percent
              expect(Math.abs(u[c]! - v[c]!) / scale).toBeLessThan(2e-6)
          })
          expect(a.cases[0].reactions.reduce((s, v) => s + Math.abs(v), 0)).toBeCloseTo(
            b.cases[0].reactions.reduce((s, v) => s + Math.abs(v), 0),
            -1,
          )
        },
      ),
      { numRuns: 150 },
    )
  })

  it('keeps words as typed, names the halves after their joints and keeps releases at their ends', () => {
    const { problem } = divideMember(
      beam({ type: 'distributed', member: 'AB', direction: 'Y', q: '-w' }).set({ symbols: { w: '3 kN/m' } })
        .problem,
      'AB',
      2,
    )
    expect(problem.members.map((m) => m.id)).toEqual(['AD', 'DB', 'BC'])
    expect(problem.members[0].releases).toBeUndefined()
    expect(problem.members[1].releases).toEqual({ end: { M: '900 kN*m' } })
    expect(problem.nodes[3]).toEqual({ id: 'D', x: 2.5, y: 0.5 })
    expect(problem.loadCases![0].loads).toEqual(
      ['AD', 'DB'].map((member) => ({ type: 'distributed', member, direction: 'Y', q: '-w' })),
    )
  })

  it('takes answers along to the half they stand on', () => {
    const b = beam().set({
      answers: [
        { id: 'a1', quantity: 'moment', member: 'AB', at: '80%', value: 3 },
        { id: 'a2', quantity: 'shear', member: 'AB', at: 1, value: 3 },
      ],
    }).problem
    expect(divideMember(b, 'AB', 2).problem.answers).toMatchObject([
      { member: 'DB', at: expect.closeTo(0.3 * Math.hypot(5, 1), 9) as number },
      { member: 'AD', at: 1 },
    ])
  })

  it('does nothing at an end, or to a member that is not there', () => {
    const p = beam().problem
    expect(splitMemberAt(p, 'AB', 'A', 0.5)).toBe(p)
    expect(splitMember(p, 'nobody', [0.5]).problem).toBe(p)
    expect(splitMember(p, 'AB', [0, 1]).nodes).toEqual([])
    expect(splitMember(p, 'AB', [1e-9, 0.4, 0.4 + 1e-9, 1 - 1e-9]).nodes).toEqual(['D'])
  })

  it('joins two members that cross', () => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', 4, 2)
      .node('C', 0, 2)
      .node('D', 4, 0)
      .member('A', 'B')
      .member('C', 'D').problem
    const joined = joinCrossing(p, 'AB', 'CD')
    expect(joined.nodes[4]).toEqual({ id: 'E', x: 2, y: 1 })
    expect(joined.members.map((m) => m.id)).toEqual(['AE', 'EB', 'CE', 'ED'])
    expect(joinCrossing(joined, 'AE', 'CE')).toBe(joined)
  })
})
