import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freeEnd } from '../../src/analysis/free-end.js'
import { integrate } from '../../src/analysis/polynomial-course.js'
import { caseActions } from '../../src/structure/case-actions.js'
import { resolve } from '../../src/index.js'
import { anyLoad } from '../any-load.js'
import { frame } from '../builder.js'

const REST = { N: 0, V: 0, M: 0, slope: 0, v: 0, u: 0 }

describe('the free end of a held member', () => {
  it('is where the course along it ends, under any loads, with and without shear deformation', () =>
    fc.assert(
      fc.property(fc.array(anyLoad, { minLength: 1, maxLength: 5 }), fc.boolean(), (loads, shear) => {
        const r = resolve(
          frame()
            .node('A', 0, 0)
            .node('B', 3, 4)
            .member('A', 'B', { shearDeformation: shear })
            .support('A', 'fixed')
            .load(...loads).problem,
        )
        if (!r.ok) throw new Error(r.errors[0].message)
        const [m] = r.structure.members
        const actions = caseActions(r.structure, 0).members.get(0)
        if (!actions) return
        const [end, course] = [freeEnd(m, actions), integrate(m, actions, REST)]
        const size = course.stretches.reduce(
          (most, s) => Math.max(most, ...[s.x0, s.x1].flatMap((x) => Object.values(s.at(x)).map(Math.abs))),
          1,
        )
        for (const key of ['N', 'V', 'M'] as const)
          expect(Math.abs(end[key] - course.end[key])).toBeLessThan(1e-11 * size)
        for (const key of ['slope', 'v', 'u'] as const)
          expect(Math.abs(end[key] - course.end[key])).toBeLessThan(
            1e-9 * Math.max(1, Math.abs(course.end[key])),
          )
      }),
    ))
  it('under a uniform load from a start without forces: V = qL, M = qL²/2, v = qL⁴/24EI', () => {
    const r = resolve(
      frame()
        .node('A', 0, 0)
        .node('B', 2, 0)
        .member('A', 'B')
        .support('A', 'fixed')
        .load({ type: 'distributed', member: 'AB', direction: 'Y', q: 3 }).problem,
    )
    if (!r.ok) throw new Error('resolved')
    const end = freeEnd(r.structure.members[0], caseActions(r.structure, 0).members.get(0)!)
    expect(end.V).toBeCloseTo(6000, 8)
    expect(end.M).toBeCloseTo(6000, 8)
    expect(end.v).toBeCloseTo((3000 * 2 ** 4) / 24 / 2e7, 12)
  })
})
