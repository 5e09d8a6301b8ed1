import { describe, expect, it } from 'vitest'
import { displacementAt, extremes, courseOf, reactionAt, sidesAt } from '../../src/index.js'
import { frame, truss } from '../builder.js'

/**
 * Answers every course derives by hand; E = 200 GPa, A = 0.01 m², I = 1e-4 m⁴: EI = 20 000 kN·m². SI in the
 * results.
 */
const EI = 2e7

describe('beams', () => {
  const simple = frame()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .member('A', 'B')
    .support('A', 'pin')
    .support('B', 'roller')

  it('uniform load on two supports: wL²/8 at the middle, 5wL⁴/384EI down', () => {
    const s = simple.load({ type: 'distributed', member: 'AB', direction: 'Y', q: -3 }).solve()
    const f = courseOf(s, s.cases[0], 0)
    const e = extremes(f)
    expect(e.M.max.value).toBeCloseTo(6000, 6)
    expect(e.M.max.x).toBeCloseTo(2, 9)
    expect(e.relative.min.value).toBeCloseTo((-5 * 3000 * 256) / (384 * EI), 12)
    expect(reactionAt(s, s.cases[0], 0).y).toBeCloseTo(6000, 6)
  })

  it('point load: M jumps in slope, V by the load', () => {
    const s = simple.load({ type: 'point', member: 'AB', at: 1, fy: -8 }).solve()
    const f = courseOf(s, s.cases[0], 0)
    const { left, right } = sidesAt(f, 1)
    expect([left.V, right.V].map((v) => Math.round(v))).toEqual([6000, -2000])
    expect(left.M).toBeCloseTo(6000, 6)
  })

  it('fixed at both ends under a triangle: wL²/30 and wL²/20', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 6, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .support('B', 'fixed')
      .load({
        type: 'distributed',
        member: 'AB',
        direction: 'Y',
        points: [
          { at: 0, q: 0 },
          { at: '100%', q: -10 },
        ],
      })
      .solve()
    expect(reactionAt(s, s.cases[0], 0).rotation).toBeCloseTo(12000, 5)
    expect(reactionAt(s, s.cases[0], 1).rotation).toBeCloseTo(-18000, 5)
  })

  it('propped cantilever: 3wL/8 on the prop', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .support('B', 'roller')
      .load({ type: 'distributed', member: 'AB', direction: 'Y', q: -8 })
      .solve()
    expect(reactionAt(s, s.cases[0], 1).y).toBeCloseTo(12000, 6)
  })

  it('shear deformation adds PL/GAs to a cantilever', () => {
    const beam = (shear: boolean) => {
      const s = frame()
        .node('A', 0, 0)
        .node('B', 2, 0)
        .member('A', 'B', { shearDeformation: shear })
        .support('A', 'fixed')
        .load({ type: 'nodal', node: 'B', fy: -10 })
        .solve()
      return displacementAt(s, s.cases[0], 1).y!
    }
    expect(beam(false)).toBeCloseTo((-10000 * 8) / (3 * EI), 12)
    expect(beam(true) - beam(false)).toBeCloseTo((-10000 * 2) / (8e10 * 0.004), 12)
  })

  it('a hinge at the third of a fixed beam carries no moment, a spring passes k times its turn', () => {
    const build = (M: true | string) =>
      frame()
        .node('A', 0, 0)
        .node('B', 2, 0)
        .node('C', 6, 0)
        .member('A', 'B', { releases: { end: { M } } })
        .member('B', 'C')
        .support('A', 'fixed')
        .support('C', 'fixed')
        .load({ type: 'distributed', member: 'BC', direction: 'Y', q: -5 })
        .solve()
    expect(build(true).cases[0].forces[5]).toBe(0)
    const s = build('900 kN*m')
    const own = s.cases[0].ends[5]
    const node = displacementAt(s, s.cases[0], 1).rotation!
    expect(s.cases[0].forces[5]).toBeCloseTo(9e5 * (node - own), 3)
  })
})

describe('supports', () => {
  it('a roller on a slope pushes square to it, and a settlement there is its own', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 5, 0)
      .member('A', 'B')
      .support('A', 'pin')
      .support('B', { type: 'roller', angle: '30 deg', settlement: { y: '-6 mm' } })
      .load({ type: 'nodal', node: 'B', fy: -10 })
      .solve()
    const r = reactionAt(s, s.cases[0], 1)
    expect(r.own.x).toBe(0)
    expect(r.x / r.y).toBeCloseTo(-Math.tan(Math.PI / 6), 9)
    const d = displacementAt(s, s.cases[0], 1)
    expect(-Math.sin(Math.PI / 6) * d.x! + Math.cos(Math.PI / 6) * d.y!).toBeCloseTo(-0.006, 12)
  })

  it('a spring pushes back by its stiffness', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 3, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .support('B', { restrain: { y: '500 kN/m' } })
      .load({ type: 'nodal', node: 'B', fy: -10 })
      .solve()
    const d = displacementAt(s, s.cases[0], 1).y!
    expect(d).toBeCloseTo(-10000 / (5e5 + (3 * EI) / 27), 12)
    expect(reactionAt(s, s.cases[0], 1).y).toBeCloseTo(-5e5 * d, 6)
  })
})

describe('trusses', () => {
  it('a three-bar roof by the method of joints', () => {
    const s = truss()
      .node('A', 0, 0)
      .node('B', 8, 0)
      .node('C', 4, 3)
      .member('A', 'B')
      .member('A', 'C')
      .member('C', 'B')
      .support('A', 'pin')
      .support('B', 'roller')
      .load({ type: 'nodal', node: 'C', fy: -12 })
      .solve()
    const N = (i: number) => s.cases[0].forces[6 * i + 3]
    expect([N(0), N(1), N(2)].map((v) => Number(v.toPrecision(9)))).toEqual([8000, -10000, -10000])
  })
  it('carries own weight half to each joint', () => {
    const s = truss()
      .node('A', 0, 0)
      .node('B', 8, 0)
      .node('C', 4, 3)
      .member('A', 'B')
      .member('A', 'C')
      .member('C', 'B')
      .support('A', 'pin')
      .support('B', 'roller')
      .set({ loadCases: [{ id: '1', selfWeight: 1, loads: [] }] })
      .solve()
    expect(reactionAt(s, s.cases[0], 0).y + reactionAt(s, s.cases[0], 1).y).toBeCloseTo(785 * 18, 6)
  })
})

describe('combinations', () => {
  it('are the sum of their cases, each times its factor', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .load({ type: 'nodal', node: 'B', fy: -10 })
      .loadCase('2', { type: 'distributed', member: 'AB', direction: 'Y', q: -3 })
      .set({}).problem
    const both = { ...s, combinations: [{ id: 'U', factors: { '1': 1.2, '2': 1.6 } }] }
    const { combinations, cases } = frame().set(both).solve()
    expect(combinations[0].forces[2]).toBeCloseTo(1.2 * cases[0].forces[2] + 1.6 * cases[1].forces[2], 6)
  })
})
