import { describe, expect, it } from 'vitest'
import {
  courseOf,
  displacementAt,
  extremes,
  reactionAt,
  sidesAt,
  type Problem,
  type Solution,
} from '../../src/index.js'
import { frame, refusal, solved, truss } from '../builder.js'

const E = 2e8 // kN/m²
const EI = E * 1e-4
const order2 = { analysis: { order: 2 as const } }

/** A column along x from A to B, so that an axial load acts along x. */
const column = (L: number, load: number, a: 'fixed' | 'pin', b: 'free' | 'roller' | 'guide' | 'sway') => {
  const f = frame().node('A', 0, 0).node('B', L, 0).member('A', 'B').support('A', a)
  const held = {
    free: f,
    roller: f.support('B', { restrain: { y: 'fixed' } }),
    guide: f.support('B', { restrain: { y: 'fixed', rotation: 'fixed' } }),
    sway: f.support('B', { restrain: { rotation: 'fixed' } }),
  }[b]
  return held.load({ type: 'nodal', node: 'B', fx: -load }).set(order2)
}
const factorOf = (p: Problem) => solved(p).cases[0].bent!.loadFactor

describe('critical loads of Euler’s five columns', () => {
  const L = 3
  const P = 1
  it.each([
    ['fixed', 'free', 4],
    ['pin', 'roller', 1],
    ['fixed', 'guide', 0.25],
    ['fixed', 'sway', 1],
  ] as const)('%s and %s', (a, b, squares) => {
    expect(factorOf(column(L, P, a, b).problem)! * P).toBeCloseTo((Math.PI ** 2 * EI) / (squares * L * L), 4)
  })
  it('fixed and pinned: tan φ = φ', () => {
    const phi = 4.493409457909064
    expect(factorOf(column(L, P, 'fixed', 'roller').problem)! * P).toBeCloseTo((phi ** 2 * EI) / (L * L), 4)
  })
  it('is lowered by shear deformation: 1/P = 1/Pe + 1/GAs', () => {
    const p = column(L, P, 'pin', 'roller')
    const members = p.problem.members.map((m) => ({ ...m, shearDeformation: true }))
    const euler = (Math.PI ** 2 * EI) / (L * L)
    const GAs = 8e7 * 0.004
    expect(factorOf({ ...p.problem, members })).toBeCloseTo(1 / (1 / euler + 1 / GAs), 5)
  })
  it('under own weight along it: 7.837 EI/L³ of a cantilever’s weight per length', () => {
    const p = column(L, 0, 'fixed', 'free').set({
      loadCases: [{ id: '1', loads: [{ type: 'distributed', member: 'AB', direction: 'X', q: -1 }] }],
    })
    expect(factorOf(p.problem)).toBeCloseTo((7.837347438943 * EI) / L ** 3, 4)
  })
  it('is none in tension, and none without an axial force', () => {
    expect(factorOf(column(L, -5, 'fixed', 'free').problem)).toBeNull()
    expect(
      factorOf(column(L, 0, 'fixed', 'free').load({ type: 'nodal', node: 'B', fy: 3 }).problem),
    ).toBeNull()
  })
  it('at or below 1 is refused, never a number', () => {
    const over = column(L, (1.01 * Math.PI ** 2 * EI) / (4 * L * L), 'fixed', 'free')
    const error = refusal(over.problem)
    expect(error.kind).toBe('buckled')
    expect(error.message).toContain('0.9901 times these loads')
  })
})

/** A simply supported beam-column with what acts on it. */
const beam = (P: number, ...loads: Parameters<ReturnType<typeof frame>['load']>) =>
  frame()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .member('A', 'B')
    .support('A', 'pin')
    .support('B', { restrain: { y: 'fixed' } })
    .load({ type: 'nodal', node: 'B', fx: -P }, ...loads)
    .set(order2)
const largestM = (s: Solution) => extremes(courseOf(s, s.cases[0], 0)).M.max

describe('beam-columns by their closed forms (Timoshenko & Gere, ch. 1)', () => {
  const L = 4
  const P = 0.6 * ((Math.PI ** 2 * EI) / (L * L))
  const k = Math.sqrt(P / EI)
  it('uniform load: M = q/k²·(sec(kL/2) − 1)', () => {
    const m = largestM(beam(P, { type: 'distributed', member: 'AB', direction: 'Y', q: -6 }).solve())
    expect(m.value / 1000).toBeCloseTo((6 / k ** 2) * (1 / Math.cos((k * L) / 2) - 1), 6)
    expect(m.x).toBeCloseTo(2, 6)
  })
  it('a force in the middle: M = F/2k·tan(kL/2)', () => {
    const m = largestM(beam(P, { type: 'point', member: 'AB', at: '50%', fy: -10 }).solve())
    expect(m.value / 1000).toBeCloseTo((10 / (2 * k)) * Math.tan((k * L) / 2), 6)
  })
  it('equal end moments: M = M₀·sec(kL/2)', () => {
    const m = largestM(
      beam(P, { type: 'nodal', node: 'A', m: -8 }, { type: 'nodal', node: 'B', m: 8 }).solve(),
    )
    expect(m.value / 1000).toBeCloseTo(8 / Math.cos((k * L) / 2), 6)
  })
  it('in tension: hyperbolic, also where the force is large', () => {
    const N = 400 * ((Math.PI ** 2 * EI) / (L * L))
    const kt = Math.sqrt(N / EI)
    const m = largestM(beam(-N, { type: 'distributed', member: 'AB', direction: 'Y', q: -6 }).solve())
    expect(m.value / 1000).toBeCloseTo((6 / kt ** 2) * (1 - 1 / Math.cosh((kt * L) / 2)), 7)
  })
  it('without an axial force the results are those of first order, and nothing breaks close to it', () => {
    const load = { type: 'distributed', member: 'AB', direction: 'Y', q: -6 } as const
    const [none, little, negative] = [0, 1e-9, -1e-9].map((p) => largestM(beam(p, load).solve()).value)
    expect(none).toBeCloseTo(12000, 8)
    expect(little).toBeCloseTo(12000, 6)
    expect(negative).toBeCloseTo(12000, 6)
  })
})

describe('a frame in second order', () => {
  /** A portal that sways under a wind force, with a leaning column beside it. */
  const portal = (h: number) =>
    frame()
      .node('A', 0, 0)
      .node('B', 0, 4)
      .node('C', 6, 4)
      .node('D', 6, 0)
      .node('F', 9, 4)
      .node('G', 9, 0)
      .member('A', 'B')
      .member('B', 'C')
      .member('D', 'C')
      .member('C', 'F', { type: 'bar' })
      .member('G', 'F', { type: 'bar' })
      .support('A', 'fixed')
      .support('D', 'fixed')
      .support('G', 'pin')
      .load(
        { type: 'nodal', node: 'B', fx: h, fy: -400 },
        { type: 'nodal', node: 'C', fy: -400 },
        { type: 'nodal', node: 'F', fy: -300 },
        { type: 'distributed', member: 'BC', direction: 'Y', q: -8 },
      )
      .set(order2)

  it('is the same when its members are cut in two', () => {
    const whole = portal(10).solve()
    const { problem } = portal(10)
    const cut: Problem = {
      ...problem,
      nodes: [...problem.nodes, { id: 'H', x: 0, y: 1.3 }, { id: 'K', x: 6, y: 2.2 }],
      members: problem.members.flatMap((m) =>
        m.id === 'AB'
          ? [
              { ...m, end: 'H' },
              { ...m, id: 'HB', start: 'H' },
            ]
          : m.id === 'DC'
            ? [
                { ...m, end: 'K' },
                { ...m, id: 'KC', start: 'K' },
              ]
            : [m],
      ),
    }
    const pieces = solved(cut)
    const of = (s: Solution) => [
      displacementAt(s, s.cases[0], 1).x!,
      reactionAt(s, s.cases[0], 0).rotation,
      s.cases[0].bent!.loadFactor!,
    ]
    of(whole).forEach((v, i) => expect(of(pieces)[i] / v).toBeCloseTo(1, 10))
  })
  it('the leaning column pushes: its force over the sway is in the shear of the portal', () => {
    const s = portal(10).solve()
    const a = s.cases[0]
    const lean = s.structure.members.findIndex((m) => m.id === 'GF')
    const { V, N } = sidesAt(courseOf(s, a, lean), 1).right
    const sway = displacementAt(s, a, 4).x!
    // V of an upright bar acts along −x: it takes its share of N with the slope of its chord
    expect(V).toBeCloseTo((N * sway) / 4, 3)
    const feet = [0, 3, 5].reduce((sum, n) => sum + reactionAt(s, a, n).x, 0)
    expect(feet).toBeCloseTo(-10_000, 3)
  })
  it('sways farther than first order says, and more than in proportion to its loads', () => {
    const s = portal(10)
      .set({ combinations: [{ id: 'U', factors: { '1': 5 } }] })
      .solve()
    const dof = s.dofs.of[3]
    const [one, five] = [s.cases[0], s.combinations[0]]
    expect(one.D[dof]).toBeGreaterThan(1.05 * one.bent!.first.D[dof])
    expect(five.bent!.first.D[dof]).toBeCloseTo(5 * one.bent!.first.D[dof], 9)
    expect(five.D[dof]).toBeGreaterThan(1.3 * five.bent!.first.D[dof])
    expect(five.bent!.loadFactor! * 5).toBeCloseTo(one.bent!.loadFactor!, 8)
  })
})

describe('a shallow pair of bars', () => {
  it('has the critical load of small rotations, far above the load at which it would snap through', () => {
    const [half, rise, P] = [4, 0.2, 1]
    const L = Math.hypot(half, rise)
    const [sin, cos] = [rise / L, half / L]
    const EA = E * 0.01
    const p = truss()
      .node('A', -half, 0)
      .node('B', 0, rise)
      .node('C', half, 0)
      .member('A', 'B')
      .member('B', 'C')
      .support('A', 'pin')
      .support('C', 'pin')
      .load({ type: 'nodal', node: 'B', fy: -P })
      .set(order2).problem
    // K = 2·(EA/L·sin² − N/L·cos²) with N = P/(2·sin) vanishes
    const critical = (2 * EA * sin ** 3) / cos ** 2
    expect(factorOf(p)! * P).toBeCloseTo(critical, 6)
    // the limit load of the exact shape, P = 2/(3√3)·EA·(rise/half)³
    expect(critical).toBeGreaterThan(4 * (2 / (3 * Math.sqrt(3))) * EA * (rise / half) ** 3)
  })
})
