import fc from 'fast-check'
import { describe, it } from 'vitest'
import { displacementAt, type Load, type Problem } from '../../src/index.js'
import { solved } from '../builder.js'
import { forAll, near, size } from './any-frame.js'

const isForce = (l: Load) => l.type !== 'temperature' && l.type !== 'misfit'
/** A frame with its forces alone, so that it answers to its stiffness in proportion. */
const forced = (p: Problem): Problem => ({
  ...p,
  loadCases: [
    { id: '1', loads: [...p.loadCases![0].loads.filter(isForce), { type: 'nodal', node: 'B', fy: -5 }] },
  ],
})
const mostMoved = (s: ReturnType<typeof solved>) => Math.max(1e-9, ...s.cases[0].D.map(Math.abs))

describe('models of one structure', () => {
  it('of k times the modulus: the same forces, displacements divided by k', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 100, noNaN: true }), (k) =>
        forAll((p) => {
          const own = forced(p)
          const stiffer: Problem = {
            ...own,
            materials: own.materials!.map((m) => ({ ...m, E: k * Number(m.E), G: k * Number(m.G) })),
          }
          const [a, b] = [solved(own), solved(stiffer)]
          a.cases[0].forces.forEach((v, i) => near(v, b.cases[0].forces[i], size(a), 1e-7))
          a.cases[0].D.forEach((v, i) => near(v / k, b.cases[0].D[i], mostMoved(a) / k, 1e-7))
        }, 6),
      ),
      { numRuns: 12 },
    ))

  it('mirrored: reactions and displacements stand as in a mirror', () =>
    forAll((p) => {
      const loads: Load[] = [
        { type: 'nodal', node: 'B', fx: 3, fy: -5, m: 2 },
        { type: 'distributed', member: p.members[0].id, direction: 'Y', q: -4 },
      ]
      const own: Problem = { ...p, loadCases: [{ id: '1', loads }] }
      const seen: Problem = {
        ...own,
        nodes: own.nodes.map((n) => ({ ...n, x: -Number(n.x) })),
        supports: own.supports!.map((s) => (s.angle === undefined ? s : { ...s, angle: `-(${s.angle})` })),
        loadCases: [{ id: '1', loads: [{ type: 'nodal', node: 'B', fx: -3, fy: -5, m: -2 }, loads[1]] }],
      }
      const [a, b] = [solved(own), solved(seen)]
      own.nodes.forEach((_, n) => {
        const [d, e] = [displacementAt(a, a.cases[0], n), displacementAt(b, b.cases[0], n)]
        near(-d.x!, e.x!, mostMoved(a), 1e-7)
        near(d.y!, e.y!, mostMoved(a), 1e-7)
      })
    }, 80))

  it('two loads at once do what each does alone, together', () =>
    forAll((p) => {
      const loads = p.loadCases![0].loads
      const alone = solved({ ...p, loadCases: loads.map((l, i) => ({ id: `${i}`, loads: [l] })) })
      const together = solved(p)
      const scale = Math.max(size(together), ...alone.cases.map((_, i) => size(alone, i)))
      together.cases[0].forces.forEach((v, r) =>
        near(
          v,
          alone.cases.reduce((t, c) => t + c.forces[r], 0),
          scale,
        ),
      )
    }, 80))

  it('a spring as stiff as one likes is a support, and one as soft as one likes is none', () =>
    forAll((p) => {
      // with every end rigid, the foot alone holds it
      const own: Problem = { ...forced(p), members: p.members.map((m) => ({ ...m, releases: {} })) }
      const [, last] = own.supports!
      const spring = (k: number): Problem => ({
        ...own,
        supports: [own.supports![0], { node: last.node, restrain: { x: 'free', y: k, rotation: 'free' } }],
      })
      const held: Problem = {
        ...own,
        supports: [
          own.supports![0],
          { node: last.node, restrain: { x: 'free', y: 'fixed', rotation: 'free' } },
        ],
      }
      const loose: Problem = { ...own, supports: [own.supports![0]] }
      const [stiff, firm, soft, none] = [spring(1e12), held, spring(1e-6), loose].map((q) => solved(q))
      stiff.cases[0].forces.forEach((v, i) => near(v, firm.cases[0].forces[i], size(firm), 1e-5))
      soft.cases[0].forces.forEach((v, i) => near(v, none.cases[0].forces[i], size(none), 1e-5))
    }, 60))
})
