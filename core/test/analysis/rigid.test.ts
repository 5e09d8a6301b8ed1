import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { displacementAt, equilibrium, reactionAt, resultsDocument } from '../../src/index.js'
import { frame, refusal, truss } from '../builder.js'

const portal = (rigid: boolean, A: number | string = 0.01) =>
  frame()
    .set({ sections: [{ id: 's', A, I: 1e-4 }], analysis: { neglectAxial: rigid } })
    .node('A', 0, 0)
    .node('B', 0, 4)
    .node('C', 6, 5)
    .node('D', 6, 0)
    .member('A', 'B')
    .member('B', 'C')
    .member('C', 'D')
    .support('A', 'fixed')
    .support('D', 'pin')

describe('axially rigid members', () => {
  it('keep their length exactly', () => {
    const s = portal(true).load({ type: 'nodal', node: 'B', fx: 10, fy: -30 }).solve()
    s.structure.members.forEach((_, i) => {
      const d = s.cases[0].ends.subarray(6 * i, 6 * i + 6)
      expect(Math.abs(d[3] - d[0])).toBeLessThan(1e-15)
    })
  })

  it('are what ever stiffer members come to, in displacements, forces and reactions', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        (fx, q) => {
          const load = (b: ReturnType<typeof portal>) =>
            b
              .load(
                { type: 'nodal', node: 'B', fx },
                { type: 'distributed', member: 'BC', direction: 'Y', q },
                { type: 'point', member: 'AB', at: 1, fx: 3, fy: -2 },
              )
              .solve()
          const [rigid, stiff] = [load(portal(true)), load(portal(false, 1e4))]
          const size = Math.max(1, ...stiff.cases[0].forces.map(Math.abs))
          rigid.cases[0].forces.forEach((v, i) =>
            expect(Math.abs(v - stiff.cases[0].forces[i]) / size).toBeLessThan(1e-4),
          )
          const e = equilibrium(rigid, rigid.cases[0])
          for (const r of [e.residual.fx, e.residual.fy, e.residual.m])
            expect(Math.abs(r)).toBeLessThan(1e-8 * size * 10)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('need no area', () => {
    const b = portal(true).load({ type: 'nodal', node: 'B', fx: 10 })
    const s = b.set({ sections: [{ id: 's', I: 1e-4 }] }).solve()
    expect(reactionAt(s, s.cases[0], 0).x + reactionAt(s, s.cases[0], 3).x).toBeCloseTo(-10000, 5)
  })

  it('take a settlement and an imposed length along', () => {
    const s = truss()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .node('C', 2, 2)
      .member('A', 'B', { axiallyRigid: true })
      .member('A', 'C', { axiallyRigid: true })
      .member('C', 'B', { axiallyRigid: true })
      .support('A', { type: 'pin', settlement: { x: '3 mm' } })
      .support('B', 'roller')
      .load({ type: 'misfit', member: 'AB', elongation: '2 mm' })
      .solve()
    expect(displacementAt(s, s.cases[0], 1).x).toBeCloseTo(0.005, 12)
    for (const v of s.cases[0].forces) expect(Math.abs(v)).toBeLessThan(1e-9)
  })

  it('held at both ends have no force that equilibrium could tell: null and a notice', () => {
    const b = frame()
      .node('A', 0, 0)
      .node('B', 3, 0)
      .node('C', 6, 0)
      .member('A', 'B', { axiallyRigid: true })
      .member('B', 'C', { axiallyRigid: true })
      .support('A', 'fixed')
      .support('C', 'fixed')
      .load({ type: 'nodal', node: 'B', fx: 5, fy: -8 })
    const s = b.solve()
    const doc = JSON.parse(JSON.stringify(resultsDocument(b.problem, s, []))) as {
      results: Record<
        string,
        {
          reactions: Record<string, { x: number | null; y: number }>
          members: Record<string, { start: { fx: number | null; fy: number } }>
        }
      >
      notices: string[]
    }
    const { reactions, members } = doc.results['1']
    expect(members.AB.start.fx).toBeNull()
    expect(reactions.A.x).toBeNull()
    expect(reactions.A.y).toBeCloseTo(4, 9)
    expect(doc.notices[0]).toMatch(/AB and BC undetermined/)
  })

  it('cannot take a change of length where they are held at both ends', () => {
    const b = frame()
      .node('A', 0, 0)
      .node('B', 3, 0)
      .member('A', 'B', { axiallyRigid: true })
      .support('A', 'fixed')
      .support('B', 'fixed')
      .load({ type: 'temperature', member: 'AB', uniform: 20 })
    expect(refusal(b.problem)).toMatchObject({ kind: 'indeterminate', members: ['AB'] })
  })

  it('do not hide a mechanism', () =>
    expect(
      refusal(
        truss()
          .set({ analysis: { neglectAxial: true } })
          .node('A', 0, 0)
          .node('B', 0, 3)
          .node('C', 3, 3)
          .node('D', 3, 0)
          .member('A', 'B')
          .member('B', 'C')
          .member('C', 'D')
          .support('A', 'pin')
          .support('D', 'pin').problem,
      ),
    ).toMatchObject({ kind: 'mechanism', nodes: ['B', 'C'] }))

  it('slide where their axial force is released', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 3, 0)
      .member('A', 'B', { axiallyRigid: true, releases: { end: { N: true } } })
      .support('A', 'fixed')
      .support('B', 'fixed')
      .load({ type: 'point', member: 'AB', at: 1, fx: 6, fy: -6 })
      .solve()
    expect(s.cases[0].forces[3]).toBe(0)
    expect(reactionAt(s, s.cases[0], 0).x).toBeCloseTo(-6000, 9)
  })

  describe('with a spring along them', () => {
    const spring = (start: unknown, end: unknown, more: Parameters<ReturnType<typeof frame>['load']> = []) =>
      frame()
        .node('A', 0, 0)
        .node('B', 4, 0)
        .member('A', 'B', {
          axiallyRigid: true,
          releases: { start: { N: start as string }, end: { N: end as string } },
        })
        .support('A', 'fixed')
        .support('B', 'roller')
        .load({ type: 'nodal', node: 'B', fx: 12 }, ...more)
        .solve()

    it.each([
      ['3000 kN/m', undefined, 12 / 3000],
      [undefined, '2000 kN/m', 12 / 2000],
      ['3000 kN/m', '2000 kN/m', 12 / 1200],
    ])('give as the springs do, one after the other: %s and %s', (start, end, metres) => {
      const s = spring(start, end)
      expect(displacementAt(s, s.cases[0], 1).x).toBeCloseTo(metres, 12)
      expect(s.cases[0].ends[3] - s.cases[0].ends[0]).toBeCloseTo(0, 15)
      expect(equilibrium(s, s.cases[0]).energy).toBeCloseTo(0, 6)
    })

    it('share a load along them, and carry an imposed length', () => {
      fc.assert(
        fc.property(
          fc.constantFrom<[unknown, unknown]>(
            ['3000 kN/m', undefined],
            [undefined, '2000 kN/m'],
            ['3000 kN/m', '2000 kN/m'],
          ),
          fc.double({ min: -9, max: 9, noNaN: true }),
          fc.double({ min: -2, max: 2, noNaN: true }),
          ([start, end], p, e) => {
            const s = spring(start, end, [
              { type: 'point', member: 'AB', at: 1, fx: p },
              { type: 'misfit', member: 'AB', elongation: `${e} mm` },
            ])
            const f = s.cases[0].forces
            expect(f[0] + f[3] + 1000 * p).toBeCloseTo(0, 6)
            expect(f[3]).toBeCloseTo(12000, 6)
            expect(s.cases[0].ends[3] - s.cases[0].ends[0]).toBeCloseTo(e / 1000, 12)
            expect(equilibrium(s, s.cases[0]).energy).toBeCloseTo(0, 6)
            // the stretch of the springs and the imposed length make up the way of B
            const [s1, s2] = [start ? f[0] / 3e6 : 0, end ? f[3] / 2e6 : 0]
            expect(displacementAt(s, s.cases[0], 1).x).toBeCloseTo(e / 1000 - s1 + s2, 12)
          },
        ),
      )
    })

    it('with the far end free along the axis carry nothing to it', () => {
      const s = frame()
        .node('A', 0, 0)
        .node('B', 4, 0)
        .member('A', 'B', { axiallyRigid: true, releases: { start: { N: '3000 kN/m' }, end: { N: true } } })
        .support('A', 'fixed')
        .support('B', 'pin')
        .load({ type: 'point', member: 'AB', at: 1, fx: 6 })
        .solve()
      expect(s.cases[0].forces[3]).toBe(0)
      expect(s.cases[0].forces[0]).toBeCloseTo(-6000, 9)
      expect(s.cases[0].ends[0]).toBeCloseTo(6 / 3000, 12)
    })
  })
})
