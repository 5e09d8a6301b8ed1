import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  displacementAt,
  equilibrium,
  courseOf,
  reactionAt,
  setUnits,
  wholeStiffness,
  type Load,
  type Problem,
  type Solution,
} from '../../src/index.js'
import { frame, solved, truss } from '../builder.js'

/**
 * Random stable frames: a fixed foot at A, a chain of joints going right, some hinges and a second support.
 */
const arbitrary = fc
  .record({
    steps: fc.array(
      fc.record({
        dx: fc.double({ min: 0.8, max: 4, noNaN: true }),
        dy: fc.double({ min: -2, max: 2, noNaN: true }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    last: fc.constantFrom<'fixed' | 'pin' | 'roller'>('fixed', 'pin', 'roller'),
    turn: fc.integer({ min: -40, max: 40 }),
    hinge: fc.boolean(),
    loads: fc.array(
      fc.record({
        member: fc.nat(3),
        kind: fc.nat(5),
        q: fc.double({ min: -9, max: 9, noNaN: true }),
        r: fc.double({ min: -9, max: 9, noNaN: true }),
        at: fc.double({ min: 0.05, max: 0.9, noNaN: true }),
        dir: fc.constantFrom<'X' | 'Y' | 'x' | 'y'>('X', 'Y', 'x', 'y'),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  })
  .map(({ steps, last, turn, hinge, loads }) => {
    let b = frame().node('A', 0, 0).support('A', 'fixed')
    const ids = ['A', 'B', 'C', 'D', 'E']
    let [x, y] = [0, 0]
    steps.forEach((s, i) => {
      x += s.dx
      y += s.dy
      b = b
        .node(ids[i + 1], x, y)
        .member(
          ids[i],
          ids[i + 1],
          hinge && i === 0 && last === 'fixed' ? { releases: { end: { M: true } } } : {},
        )
    })
    b = b.support(ids[steps.length], { type: last, angle: `${turn} deg` })
    const members = b.problem.members.map((m) => m.id)
    return b.load(...loads.map((l): Load => loadOf(l, members[l.member % members.length], ids[1]))).problem
  })

function loadOf(
  l: { kind: number; q: number; r: number; at: number; dir: 'X' | 'Y' | 'x' | 'y' },
  member: string,
  node: string,
): Load {
  const percent = `${(l.at * 100).toFixed(6)}%`
  switch (l.kind) {
    case 0:
      return { type: 'nodal', node, fx: l.q, fy: l.r, m: l.q / 2 }
    case 1:
      return { type: 'point', member, at: percent, fx: l.q, fy: l.r, m: l.r, axes: 'member' }
    case 2:
      return {
        type: 'distributed',
        member,
        direction: l.dir,
        points: [
          { at: percent, q: l.q },
          { at: '100%', q: l.r },
        ],
      }
    case 3:
      return { type: 'couple', member, q: l.q }
    case 4:
      return { type: 'temperature', member, uniform: 5 * l.q, gradient: 3 * l.r }
    default:
      return { type: 'misfit', member, at: percent, slip: l.q / 1000, kink: l.r / 1000 }
  }
}

const near = (a: number, b: number, scale: number, relative = 1e-8) =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(relative * Math.max(scale, 1e-30))
const size = (s: Solution, i = 0) =>
  Math.max(1, ...s.cases[i].forces.map(Math.abs), ...s.cases[i].reactions.map(Math.abs))
const forAll = (check: (p: Problem) => void, numRuns = 150) =>
  fc.assert(fc.property(arbitrary, check), { numRuns })

describe('for any frame and any loads', () => {
  it('the whole is in equilibrium, and work equals energy', () =>
    forAll((p) => {
      const s = solved(p)
      const e = equilibrium(s, s.cases[0])
      const extent = 20
      near(e.residual.fx, 0, size(s))
      near(e.residual.fy, 0, size(s))
      near(e.residual.m, 0, size(s) * extent)
      const work = Math.max(1, ...s.cases[0].D.map(Math.abs)) * size(s)
      near(e.energy, 0, work)
    }))

  it('every joint is in equilibrium', () =>
    forAll((p) => {
      const s = solved(p)
      const sum = new Float64Array(s.dofs.list.length)
      s.elements.forEach((e, i) => {
        const q = s.cases[0].forces.subarray(6 * i, 6 * i + 6)
        for (let r = 0; r < 6; r++)
          if (e.dofs[r] >= 0) for (let c = 0; c < 6; c++) sum[e.dofs[r]] += e.T[6 * c + r] * q[c]
      })
      s.structure.nodes.forEach((_, n) => {
        const a = s.dofs.angle[n]
        const [fx, fy, m] = s.cases[0].actions.nodal.subarray(3 * n, 3 * n + 3)
        const load = [Math.cos(a) * fx + Math.sin(a) * fy, -Math.sin(a) * fx + Math.cos(a) * fy, m]
        for (let c = 0; c < 3; c++) {
          const d = s.dofs.of[3 * n + c]
          if (d >= 0) near(sum[d], load[c] + s.cases[0].reactions[d], size(s))
        }
      })
    }))

  it('the field along a member arrives at its end forces and end displacements', () =>
    forAll((p) => {
      const s = solved(p)
      s.structure.members.forEach((_, i) => {
        const { end } = courseOf(s, s.cases[0], i)
        const q = s.cases[0].forces.subarray(6 * i, 6 * i + 6)
        const d = s.cases[0].ends.subarray(6 * i, 6 * i + 6)
        near(end.N, q[3], size(s))
        near(end.V, -q[4], size(s))
        near(end.M, q[5], size(s) * 10)
        const moved = Math.max(1e-3, ...s.cases[0].D.map(Math.abs))
        near(end.u, d[3], moved)
        near(end.v, d[4], moved)
        near(end.slope, d[5], moved)
      })
    }))

  it('K is symmetric, and a rigid motion of the free structure costs nothing', () =>
    forAll((p) => {
      const s = solved(p)
      const K = wholeStiffness(s.dofs, s.elements)
      const most = Math.max(...K.flatMap((r) => [...r].map(Math.abs)))
      K.forEach((r, i) => r.forEach((v, j) => expect(v).toBe(K[j][i])))
      const rigid = s.dofs.list.map((d) => {
        const a = s.dofs.angle[d.node]
        return d.component === 'x' ? Math.cos(a) : d.component === 'y' ? -Math.sin(a) : 0
      })
      K.forEach((r) =>
        near(
          r.reduce((t, v, j) => t + v * rigid[j], 0),
          0,
          most,
          1e-10,
        ),
      )
    }))

  it('doubling every load doubles every answer', () =>
    forAll((p) => {
      const q: Problem = { ...p, combinations: [{ id: 'twice', factors: { '1': 2 } }] }
      const doubled = {
        ...p,
        loadCases: [{ ...p.loadCases![0], loads: [...p.loadCases![0].loads, ...p.loadCases![0].loads] }],
      }
      const [a, b] = [solved(q).combinations[0], solved(doubled).cases[0]]
      const scale = Math.max(1, ...b.forces.map(Math.abs))
      a.forces.forEach((v, i) => near(v, b.forces[i], scale))
    }))

  it('units change nothing', () =>
    forAll((p) => {
      const [a, b] = [solved(p), solved(setUnits(p, 'ft', 'kip', true))]
      a.cases[0].forces.forEach((v, i) => near(v, b.cases[0].forces[i], size(a), 1e-7))
    }, 60))

  it('turning the whole structure turns its reactions', () =>
    forAll((p) => {
      const loads = p.loadCases![0].loads.filter(
        (l) => (l.type !== 'distributed' || l.direction === 'x' || l.direction === 'y') && l.type !== 'nodal',
      )
      const flat = { ...p, loadCases: [{ ...p.loadCases![0], loads }] }
      const angle = 0.7
      const [c, n] = [Math.cos(angle), Math.sin(angle)]
      const turned: Problem = {
        ...flat,
        nodes: flat.nodes.map((o) => ({
          ...o,
          x: c * Number(o.x) - n * Number(o.y),
          y: n * Number(o.x) + c * Number(o.y),
        })),
        supports: flat.supports!.map((o) => ({
          ...o,
          angle: o.angle === undefined ? angle : `${o.angle} + ${angle} rad`,
        })),
      }
      const [a, b] = [solved(flat), solved(turned)]
      a.structure.supports.forEach((o) => {
        const [r, t] = [reactionAt(a, a.cases[0], o.node), reactionAt(b, b.cases[0], o.node)]
        near(t.x, c * r.x - n * r.y, size(a), 1e-7)
        near(t.y, n * r.x + c * r.y, size(a), 1e-7)
        near(t.rotation, r.rotation, size(a), 1e-7)
      })
    }, 80))

  it('splitting a member changes nothing', () =>
    forAll((p) => {
      const first = p.members[0]
      const loads = p.loadCases![0].loads.filter((l) => l.type === 'nodal' || l.member !== first.id)
      const whole: Problem = {
        ...p,
        loadCases: [
          {
            ...p.loadCases![0],
            loads: [...loads, { type: 'distributed', member: first.id, direction: 'Y', q: -4 }],
          },
        ],
      }
      const end = p.nodes[1]
      const half: Problem = {
        ...whole,
        nodes: [...p.nodes, { id: 'M', x: 0.4 * Number(end.x), y: 0.4 * Number(end.y) }],
        members: [
          { ...first, end: 'M', releases: undefined as never },
          ...p.members.slice(1),
          { ...first, id: 'rest', start: 'M' },
        ].map((m) => JSON.parse(JSON.stringify(m)) as typeof first),
        loadCases: [
          {
            ...p.loadCases![0],
            loads: [
              ...loads,
              { type: 'distributed', member: first.id, direction: 'Y', q: -4 },
              { type: 'distributed', member: 'rest', direction: 'Y', q: -4 },
            ],
          },
        ],
      }
      const [a, b] = [solved(whole), solved(half)]
      p.nodes.forEach((_, i) => {
        const [u, v] = [displacementAt(a, a.cases[0], i), displacementAt(b, b.cases[0], i)]
        const scale = Math.max(1e-4, ...a.cases[0].D.map(Math.abs))
        near(u.x!, v.x!, scale, 1e-7)
        near(u.y!, v.y!, scale, 1e-7)
      })
    }, 80))

  it('the order of joints and members changes nothing', () =>
    forAll((p) => {
      const shuffled: Problem = {
        ...p,
        nodes: [...p.nodes].reverse(),
        members: [...p.members.slice(1), p.members[0]],
        supports: [...p.supports!].reverse(),
      }
      const [a, b] = [solved(p), solved(shuffled)]
      p.members.forEach((m, i) => {
        const j = shuffled.members.indexOf(m)
        for (let r = 0; r < 6; r++) near(a.cases[0].forces[6 * i + r], b.cases[0].forces[6 * j + r], size(a))
      })
    }, 80))

  it('new names change nothing', () =>
    forAll((p) => {
      const name = (id: string) => `${id}′`
      const renamed = JSON.parse(JSON.stringify(p), (key, v: unknown) =>
        ['start', 'end', 'node', 'member'].includes(key) && typeof v === 'string' ? name(v) : v,
      ) as Problem
      renamed.nodes.forEach((n) => (n.id = name(n.id)))
      renamed.members.forEach((m) => (m.id = name(m.id)))
      expect([...solved(renamed).cases[0].forces]).toEqual([...solved(p).cases[0].forces])
    }, 40))

  it('Maxwell and Betti: a unit load here moves there what a unit load there moves here', () =>
    forAll((p) => {
      const s = solved({
        ...p,
        loadCases: [
          { id: '1', loads: [{ type: 'nodal', node: 'B', fy: 1 }] },
          { id: '2', loads: [{ type: 'nodal', node: 'B', m: 1 }] },
        ],
      })
      if (s.dofs.of[5] < 0 || s.structure.members.length < 2) return
      const [here, there] = [displacementAt(s, s.cases[0], 1).rotation!, displacementAt(s, s.cases[1], 1).y!]
      near(here, there, Math.abs(here) + 1e-9, 1e-7)
    }, 80))
})

describe('a determinate structure', () => {
  it('takes heat, misfit and settlement without any force', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        (t, g, settle) => {
          const s = frame()
            .node('A', 0, 0)
            .node('B', 3, 1)
            .node('C', 6, 0)
            .member('A', 'B')
            .member('B', 'C')
            .support('A', 'pin')
            .support('C', { type: 'roller', settlement: { y: settle } })
            .load(
              { type: 'temperature', member: 'AB', uniform: t, gradient: g },
              { type: 'misfit', member: 'BC', elongation: settle / 4 },
              { type: 'misfit', member: 'BC', at: '30%', kink: settle },
            )
            .solve()
          // EA is 2e9 N: what is left is rounding of forces of that size times strains
          for (const v of [...s.cases[0].forces, ...s.cases[0].reactions])
            expect(Math.abs(v)).toBeLessThan(2e9 * 0.02 * 1e-12)
        },
      ),
    )
  })
})

/**
 * A determinate truss grown joint by joint, each new joint on two bars from two joints that are there; loads
 * on all.
 */
const grownTruss = fc.array(
  fc.record({
    x: fc.double({ min: 0.5, max: 3, noNaN: true }),
    y: fc.double({ min: 0.5, max: 3, noNaN: true }),
    fx: fc.double({ min: -9, max: 9, noNaN: true }),
    fy: fc.double({ min: -9, max: 9, noNaN: true }),
  }),
  { minLength: 1, maxLength: 8 },
)

describe('a pinned truss', () => {
  it('has the bar forces that the method of joints finds, last joint first', () => {
    fc.assert(
      fc.property(grownTruss, (steps) => {
        let b = truss()
          .node('0', 0, 0)
          .node('1', 3, 0)
          .member('0', '1')
          .support('0', 'pin')
          .support('1', 'pin')
        const at: [number, number][] = [
          [0, 0],
          [3, 0],
        ]
        const loads: Load[] = []
        steps.forEach((s, i) => {
          const [p, q] = [at[i], at[i + 1]]
          // off the line of the two it hangs on, on alternating sides
          const away = (i % 2 ? -1 : 1) * s.y
          const joint: [number, number] = [Math.max(p[0], q[0]) + s.x, (p[1] + q[1]) / 2 + away * 2]
          at.push(joint)
          const id = String(i + 2)
          b = b
            .node(id, joint[0], joint[1])
            .member(String(i), id)
            .member(String(i + 1), id)
          loads.push({ type: 'nodal', node: id, fx: s.fx, fy: s.fy })
        })
        const cross = (i: number) =>
          (at[i][0] - at[i + 2][0]) * (at[i + 1][1] - at[i + 2][1]) -
          (at[i + 1][0] - at[i + 2][0]) * (at[i][1] - at[i + 2][1])
        fc.pre(steps.every((_, i) => Math.abs(cross(i)) > 0.3))
        const s = b.load(...loads).solve()
        const pull = at.map(() => [0, 0])
        steps.forEach((l, i) => (pull[i + 2] = [l.fx * 1000, l.fy * 1000]))
        for (let j = at.length - 1; j >= 2; j--) {
          const [c, d] = [j - 2, j - 1].map((k) => {
            const [dx, dy] = [at[k][0] - at[j][0], at[k][1] - at[j][1]]
            const l = Math.hypot(dx, dy)
            return [dx / l, dy / l]
          })
          const det = c[0] * d[1] - d[0] * c[1]
          const N = [
            (-pull[j][0] * d[1] + d[0] * pull[j][1]) / det,
            (-c[0] * pull[j][1] + pull[j][0] * c[1]) / det,
          ]
          ;[c, d].forEach((u, k) => {
            const other = pull[j - 2 + k]
            other[0] -= N[k] * u[0]
            other[1] -= N[k] * u[1]
            const member = 1 + 2 * (j - 2) + k
            near(
              s.cases[0].forces[6 * member + 3],
              N[k],
              Math.max(1, ...s.cases[0].forces.map(Math.abs)),
              1e-7,
            )
          })
        }
      }),
      { numRuns: 120 },
    )
  })
})
