import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  balance,
  cutAlong,
  freeBody,
  jointPart,
  memberPart,
  wholePart,
  type BodyForce,
  type Load,
  type Part,
  type Solution,
} from '../../src/index.js'
import { anyLoad } from '../any-load.js'
import { frame } from '../builder.js'

/** A frame with a slanted member, a spring hinge and a turned roller. */
const solve = (loads: Load[]): Solution =>
  frame()
    .node('A', 0, 0)
    .node('B', 5, 1)
    .node('C', 9, -1)
    .member('A', 'B', { releases: { end: { M: '900 kN*m' } } })
    .member('B', 'C')
    .support('A', 'fixed')
    .support('C', { type: 'roller', angle: '20 deg' })
    .load(...loads)
    .solve()

/** All sums about a point vanish against their largest term. */
function expectBalanced(forces: readonly BodyForce[], about = { x: 1.3, y: -0.7 }) {
  const b = balance(forces, about)
  const force = Math.max(b.scale.force, 1e-3)
  expect(Math.abs(b.fx) / force).toBeLessThan(1e-7)
  expect(Math.abs(b.fy) / force).toBeLessThan(1e-7)
  expect(Math.abs(b.m) / Math.max(b.scale.moment, force)).toBeLessThan(1e-7)
}

const loads = fc.array(anyLoad, { minLength: 1, maxLength: 3 })
const share = fc.double({ min: 0.02, max: 0.98, noNaN: true })

describe('every free body is in equilibrium', () => {
  const parts: [string, (s: Solution, f: number) => Part][] = [
    ['the whole structure', (s) => wholePart(s)],
    ['a joint with a support', () => jointPart(0)],
    ['a joint between members', () => jointPart(1)],
    ['a member', (s) => memberPart(s, 0)],
    [
      'the start of a member up to a section',
      (s, f) => memberPart(s, 1, 0, f * s.structure.members[1].length),
    ],
    ['the end of a member from a section', (s, f) => memberPart(s, 0, f * s.structure.members[0].length)],
  ]
  it.each(parts)('%s', (_, part) =>
    fc.assert(
      fc.property(loads, share, (all, f) => {
        const s = solve(all)
        expectBalanced(freeBody(s, s.cases[0], part(s, f)))
      }),
      { numRuns: 40 },
    ),
  )
  it('both parts of a cut, with the same force on either face', () =>
    fc.assert(
      fc.property(loads, fc.double({ min: 0.4, max: 8.6, noNaN: true }), (all, x) => {
        fc.pre(Math.abs(x - 5) > 0.05)
        const s = solve(all)
        const cut = cutAlong(s, { x, y: 10 }, { x: x + 0.01, y: -10 })
        if (!cut.ok) throw new Error(cut.message)
        const [left, right] = [cut.left, cut.right].map((p) => freeBody(s, s.cases[0], p))
        expectBalanced(left)
        expectBalanced(right)
        const faces = [left, right].map((f) => f.find((o) => o.kind === 'cut') ?? { fx: 0, fy: 0 })
        const size = Math.hypot(faces[0].fx, faces[0].fy)
        expect(Math.hypot(faces[0].fx + faces[1].fx, faces[0].fy + faces[1].fy)).toBeLessThanOrEqual(
          1e-9 * size + 1e-9,
        )
      }),
      { numRuns: 40 },
    ))
})

describe('a cut', () => {
  const s = solve([{ type: 'nodal', node: 'B', fy: -10 }])
  it('names the part on the left of its direction, with its joints', () => {
    const up = cutAlong(s, { x: 2, y: -9 }, { x: 2, y: 9 })
    if (!up.ok) throw new Error(up.message)
    expect([...up.left.joints]).toEqual([0])
    expect([...up.right.joints]).toEqual([1, 2])
    expect(up.crossings.map((c) => c.member)).toEqual([0])
  })
  it('that crosses nothing, or leaves a way round, says so', () => {
    expect(cutAlong(s, { x: 20, y: -9 }, { x: 20, y: 9 })).toMatchObject({ ok: false, crossings: [] })
    const ring = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .node('C', 2, 3)
      .member('A', 'B')
      .member('B', 'C')
      .member('C', 'A')
      .support('A', 'pin')
      .support('B', 'roller')
      .load({ type: 'nodal', node: 'C', fy: -1 })
      .solve()
    const one = cutAlong(ring, { x: 1, y: -1 }, { x: 1, y: 0.5 })
    expect(one).toMatchObject({ ok: false })
    expect(!one.ok && one.message).toMatch(/still hang together/)
  })
})

describe('in second order, with lever arms where the structure has moved to', () => {
  /** A portal that sways under its own columns' load, all of its members loaded along their length. */
  const swaying = (loads: Load[]): Solution =>
    frame()
      .node('A', 0, 0)
      .node('B', 0.4, 5)
      .node('C', 6, 5)
      .node('D', 6, 0)
      .member('A', 'B')
      .member('B', 'C')
      .member('C', 'D')
      .support('A', 'fixed')
      .support('D', 'pin')
      .load({ type: 'nodal', node: 'B', fx: 20, fy: -400 }, { type: 'nodal', node: 'C', fy: -400 }, ...loads)
      .set({ analysis: { order: 2 } })
      .solve()
  const intensity = fc.double({ min: -5, max: 5, noNaN: true })
  const spread = fc
    .record({
      member: fc.constantFrom('AB', 'BC', 'CD'),
      direction: fc.constantFrom('X' as const, 'Y' as const, 'y' as const),
      start: intensity,
      // a load that changes its sign may have no resultant at all
      end: fc.option(intensity, { nil: undefined }),
    })
    .map(({ member, direction, start, end }): Load => ({
      type: 'distributed',
      member,
      direction,
      points: [
        { at: 0, q: start },
        { at: '100%', q: end ?? -start },
      ],
    }))
  const momentLeft = (forces: readonly BodyForce[]) => {
    const b = balance(forces, { x: 1.3, y: -0.7 })
    return Math.abs(b.m) / b.scale.moment
  }
  it('every member, and a piece of one, is in equilibrium to the last digits', () =>
    fc.assert(
      fc.property(fc.array(spread, { maxLength: 3 }), share, (all, f) => {
        const s = swaying(all)
        s.structure.members.forEach((m, i) => {
          expect(momentLeft(freeBody(s, s.cases[0], memberPart(s, i)))).toBeLessThan(1e-8)
          expect(momentLeft(freeBody(s, s.cases[0], memberPart(s, i, 0, f * m.length)))).toBeLessThan(1e-8)
        })
      }),
      { numRuns: 25 },
    ))
  it('the whole and a cut leave no more than the members shorten', () =>
    fc.assert(
      fc.property(fc.array(spread, { maxLength: 3 }), (all) => {
        const s = swaying(all)
        const cut = cutAlong(s, { x: 3, y: 10 }, { x: 3.01, y: -10 })
        if (!cut.ok) throw new Error(cut.message)
        for (const part of [wholePart(s), cut.left, cut.right]) {
          const forces = freeBody(s, s.cases[0], part)
          expect(momentLeft(forces)).toBeLessThan(1e-4)
        }
      }),
      { numRuns: 25 },
    ))
  it('about the stated places the moments of the loads that sway are missing', () => {
    const s = swaying([])
    const stated = freeBody(s, s.cases[0], wholePart(s)).map((f) => ({ ...f, moved: undefined }))
    expect(momentLeft(stated)).toBeGreaterThan(1e-3)
  })
})
