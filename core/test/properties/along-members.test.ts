import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  balance,
  courseOf,
  envelopeOf,
  extremes,
  formulasOf,
  freeBody,
  jointPart,
  memberPart,
  sidesAt,
  stressCheck,
  valueOfFormula,
  type ActionSolution,
  type Problem,
  type Solution,
} from '../../src/index.js'
import { breaksOf, chordAt, readAlong } from '../../src/analysis/course.js'
import { solved } from '../builder.js'
import { anyFrame, forAll, near, size } from './any-frame.js'

const share = fc.double({ min: 0.02, max: 0.98, noNaN: true })
/** Every member of a frame with its course. */
const courses = (s: Solution, action: ActionSolution = s.cases[0]) =>
  s.structure.members.map((m, i) => ({ m, i, course: courseOf(s, action, i) }))
/** Gauss–Legendre with four points: exact for the polynomials of first order along a stretch. */
function integral(f: (x: number) => number, a: number, b: number): number {
  const points = [
    [0.3399810435848563, 0.6521451548625461],
    [0.8611363115940526, 0.3478548451374538],
  ]
  const [middle, half] = [(a + b) / 2, (b - a) / 2]
  return half * points.reduce((t, [x, w]) => t + w * (f(middle + half * x) + f(middle - half * x)), 0)
}

describe('along any member of any frame', () => {
  it('every piece is in equilibrium by itself, wherever it is cut', () =>
    fc.assert(
      fc.property(anyFrame, share, share, (p, a, b) => {
        const s = solved(p)
        for (const { m, i } of courses(s)) {
          const [x0, x1] = [Math.min(a, b) * m.length, Math.max(a, b) * m.length]
          const part = memberPart(s, i, x0, x1)
          const sums = balance(freeBody(s, s.cases[0], part), { x: 1, y: -2 })
          near(sums.fx, 0, size(s))
          near(sums.fy, 0, size(s))
          near(sums.m, 0, 20 * size(s))
        }
      }),
      { numRuns: 80 },
    ))

  it('every joint is in equilibrium with what is cut around it', () =>
    forAll((p) => {
      const s = solved(p)
      s.structure.nodes.forEach((_, n) => {
        const sums = balance(freeBody(s, s.cases[0], jointPart(n)), s.structure.nodes[n])
        near(sums.fx, 0, size(s))
        near(sums.fy, 0, size(s))
        near(sums.m, 0, 20 * size(s))
      })
    }, 80))

  it('the moment grows by the area of the shear, the deflection by that of the slope', () =>
    forAll((p) => {
      const s = solved(p)
      for (const { course } of courses(s))
        for (const t of course.stretches) {
          const [x0, x1] = [t.x0, t.x1]
          const couple = p.loadCases![0].loads.some((l) => l.type === 'couple')
          // a couple spread along the member adds to the moment what the shear does not know of
          if (!couple) {
            const grown = t.value('M', x1) - t.value('M', x0)
            near(
              grown,
              integral((x) => t.value('V', x), x0, x1),
              20 * size(s),
              1e-8,
            )
          }
          const risen = t.value('v', x1) - t.value('v', x0)
          const moved = Math.max(1e-3, ...s.cases[0].D.map(Math.abs))
          near(
            risen,
            integral((x) => t.value('slope', x), x0, x1),
            moved,
            1e-7,
          )
        }
    }, 80))

  it('the formulas have the values of the course', () =>
    fc.assert(
      fc.property(anyFrame, share, (p, at) => {
        const s = solved(p)
        for (const { course } of courses(s))
          for (const key of ['N', 'V', 'M', 'v'] as const)
            for (const [k, f] of formulasOf(course, key).entries()) {
              const x = f.x0 + at * (f.x1 - f.x0)
              const stretch = course.stretches[k]
              const largest = Math.max(
                ...[0, 0.5, 1].map((t) => Math.abs(stretch.value(key, f.x0 + t * (f.x1 - f.x0)))),
              )
              near(valueOfFormula(f, x), stretch.value(key, x), largest + 1e-9 * size(s), 1e-6)
            }
      }),
      { numRuns: 60 },
    ))

  it('one quantity on both sides of a place is what the states there have, at breaks and between them', () =>
    fc.assert(
      fc.property(anyFrame, share, (p, at) => {
        for (const { m, course } of courses(solved(p))) {
          const places = [...breaksOf(course), at * m.length].sort((a, b) => a - b)
          for (const key of ['N', 'V', 'M', 'v'] as const) {
            const found: [number, number][] = []
            readAlong(course, key, places, (i, left, right) => (found[i] = [left, right]))
            expect(found).toEqual(
              places.map((x) => {
                const { left, right } = sidesAt(course, x)
                return [left[key], right[key]]
              }),
            )
          }
          expect(() => readAlong(course, 'M', [1.1 * m.length], () => {})).toThrow('is not on a member')
        }
      }),
      { numRuns: 60 },
    ))

  it('no value lies beyond the extremes', () =>
    fc.assert(
      fc.property(anyFrame, share, (p, at) => {
        const s = solved(p)
        for (const { m, course } of courses(s)) {
          const { M, V, relative } = extremes(course)
          const here = sidesAt(course, at * m.length).right
          const slack = 1e-9 * 20 * size(s)
          expect(here.M).toBeLessThanOrEqual(M.max.value + slack)
          expect(here.M).toBeGreaterThanOrEqual(M.min.value - slack)
          expect(here.V).toBeLessThanOrEqual(V.max.value + slack)
          expect(here.V).toBeGreaterThanOrEqual(V.min.value - slack)
          const hangs = here.v - chordAt(course, at * m.length)
          expect(hangs).toBeLessThanOrEqual(relative.max.value + 1e-9)
          expect(hangs).toBeGreaterThanOrEqual(relative.min.value - 1e-9)
        }
      }),
      { numRuns: 100 },
    ))

  it('the envelope holds every case, and each of its values is one of a case', () =>
    forAll((p) => {
      const [first] = p.loadCases!
      const several: Problem = {
        ...p,
        loadCases: [first, { id: '2', loads: [{ type: 'nodal', node: 'B', fx: 4, fy: -7 }] }],
        combinations: [{ id: 'U', factors: { '1': 1.3, '2': -0.7 } }],
      }
      const s = solved(several)
      const actions = [...s.cases, ...s.combinations]
      const e = envelopeOf(s, actions, 'M', 11)
      const slack = 1e-9 * 20 * Math.max(...actions.map((a) => Math.max(1, ...a.forces.map(Math.abs))))
      for (const { i } of courses(s))
        for (let k = e.first[i]; k < e.first[i + 1]; k++) {
          const sides = actions.map((a) => sidesAt(courseOf(s, a, i), e.x[k]))
          const values = sides.map(({ right }) => right.M)
          expect(Math.max(...values)).toBeLessThanOrEqual(e.max[k] + slack)
          expect(Math.min(...values)).toBeGreaterThanOrEqual(e.min[k] - slack)
          // the case that is named has the value
          const { left, right } = sides[actions.findIndex((a) => a.id === e.by[e.maxBy[k]])]
          expect(Math.abs(Math.max(left.M, right.M) - e.max[k])).toBeLessThanOrEqual(slack)
        }
    }, 40))

  it('the elastic energy of the members is half the work of the loads on the joints', () =>
    forAll((p) => {
      const loads = p.loadCases![0].loads.filter((l) => l.type === 'nodal')
      const s = solved({
        ...p,
        loadCases: [{ id: '1', loads: [...loads, { type: 'nodal', node: 'B', fy: -3 }] }],
      })
      const stored = s.structure.members.reduce((t, _, i) => t + stressCheck(s, s.cases[0], i).energy, 0)
      const { nodal } = s.cases[0].actions
      const work = s.dofs.list.reduce((t, d, k) => {
        const [fx, fy, m] = nodal.subarray(3 * d.node, 3 * d.node + 3)
        const a = s.dofs.angle[d.node]
        const along = {
          x: Math.cos(a) * fx + Math.sin(a) * fy,
          y: -Math.sin(a) * fx + Math.cos(a) * fy,
          rotation: m,
        }[d.component]
        return t + 0.5 * along * s.cases[0].D[k]
      }, 0)
      near(stored, work, Math.abs(work) + 1e-12, 1e-6)
    }, 60))
})
