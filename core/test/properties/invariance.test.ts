import { describe, expect, it } from 'vitest'
import { displacementAt, reactionAt, setUnits, wholeStiffness, type Problem } from '../../src/index.js'
import { solved } from '../builder.js'
import { forAll, near, size } from './any-frame.js'

describe('for any frame and any loads', () => {
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
