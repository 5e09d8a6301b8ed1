import { describe, expect, it } from 'vitest'
import { criticalCourseOf, determinantCourse, lastRound } from '../../src/stability/bent-state.js'
import { stiffnessRows } from '../../src/analysis/assemble.js'
import { frame } from '../builder.js'

/** Euler's column of 4 m, pinned at both ends: EI = 20 000 kN·m², π²EI/L² = 12 337 kN. */
const column = (kN: number, order: 1 | 2 = 1) =>
  frame()
    .node('A', 0, 0)
    .node('B', 0, 4)
    .member('A', 'B')
    .support('A', 'pin')
    .support('B', { type: 'roller', angle: '90 deg' })
    .load({ type: 'nodal', node: 'B', fx: 0, fy: -kN })
    .set({ analysis: { order } })
const euler = (Math.PI ** 2 * 20_000) / 16

describe('the determinant of K as the loads grow', () => {
  it('falls from 1 through zero at the critical factors, one sign a root', () => {
    const s = column(1000).solve()
    const course = determinantCourse(s, s.cases[0], 2)!
    expect(course.factors[0]).toBeCloseTo(euler / 1000, 6)
    expect(course.factors[1] / course.factors[0]).toBeCloseTo(4, 8)
    expect(course.points[0]).toMatchObject({ factor: 0, ratio: 1, passed: 0 })
    for (const { factor, ratio, passed } of course.points) {
      expect(passed).toBe(course.factors.filter((f) => f < factor).length)
      expect(Math.sign(ratio)).toBe(passed % 2 === 1 ? -1 : 1)
    }
  })

  it('is smooth: no step is larger than its neighbours let expect', () => {
    const s = column(1000).solve()
    const ratios = determinantCourse(s, s.cases[0], 3)!.points.map((p) => p.ratio)
    const steps = ratios.slice(1).map((v, i) => Math.abs(v - ratios[i]))
    expect(Math.max(...steps)).toBeLessThan(0.2)
  })

  it('leaves out roots that lie far beyond the lowest', () => {
    const s = column(1000).solve()
    const { factors } = criticalCourseOf(s, s.cases[0])!
    expect(factors).toHaveLength(3)
    expect(factors.every((f) => f <= 12 * factors[0])).toBe(true)
  })

  it('has no course where nothing presses', () => {
    const s = column(-1000).solve()
    expect(determinantCourse(s, s.cases[0])).toBeUndefined()
  })
})

describe('the last round of second order', () => {
  it('has the equations that its displacements satisfy', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 0, 4)
      .node('C', 6, 4)
      .node('D', 6, 0)
      .member('A', 'B')
      .member('B', 'C')
      .member('D', 'C')
      .support('A', 'fixed')
      .support('D', 'pin')
      .load(
        { type: 'nodal', node: 'B', fx: 12, fy: -400 },
        { type: 'nodal', node: 'C', fy: -400 },
        { type: 'distributed', member: 'BC', direction: 'Y', q: -20 },
      )
      .set({ analysis: { order: 2 } })
      .solve()
    const [bent] = s.cases
    const K = stiffnessRows(s.dofs, lastRound(s, bent)!.elements)
    const largest = Math.max(...bent.load.map(Math.abs))
    s.dofs.list.forEach((dof, i) => {
      if (!dof.free) return
      const sum = [...K[i]].reduce((t, [j, k]) => t + k * bent.D[j], 0)
      expect(Math.abs(sum - bent.load[i])).toBeLessThan(1e-7 * largest)
    })
  })

  it('there is none in first order', () => {
    const s = column(1000).solve()
    expect(lastRound(s, s.cases[0])).toBeUndefined()
  })
})
