import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { displacementAt, lowestFactor, type Problem } from '../../src/index.js'
import { frame, refusal, solved } from '../builder.js'
import { near } from './any-frame.js'

/** A portal of any shape under gravity at its knees and a little wind; `order` as asked. */
const portal = (
  { bay, height, down, wind }: { bay: number; height: number; down: number; wind: number },
  order: 1 | 2 = 1,
  factor = 1,
): Problem =>
  frame()
    .node('A', 0, 0)
    .node('B', 0, height)
    .node('C', bay, height)
    .node('D', bay, 0)
    .member('A', 'B')
    .member('B', 'C')
    .member('D', 'C')
    .support('A', 'fixed')
    .support('D', 'fixed')
    .load(
      { type: 'nodal', node: 'B', fx: factor * wind, fy: -factor * down },
      { type: 'nodal', node: 'C', fy: -factor * down },
    )
    .set({ analysis: { order } }).problem

const shape = fc.record({
  bay: fc.double({ min: 3, max: 9, noNaN: true }),
  height: fc.double({ min: 3, max: 9, noNaN: true }),
  down: fc.double({ min: 50, max: 500, noNaN: true }),
  wind: fc.double({ min: 0.1, max: 20, noNaN: true }),
})
const sway = (p: Problem) => {
  const s = solved(p)
  return displacementAt(s, s.cases[0], 1).x!
}
const alpha = (p: Problem) => {
  const s = solved(p)
  return lowestFactor(s, s.cases[0])!
}

describe('second order of any portal', () => {
  it('is first order where the loads are small', () =>
    fc.assert(
      fc.property(shape, (f) => {
        const small = 1e-7
        near(sway(portal(f, 2, small)), sway(portal(f, 1, small)), Math.abs(sway(portal(f, 1, small))), 1e-5)
      }),
      { numRuns: 40 },
    ))

  it('k times the loads have a critical factor k times smaller', () =>
    fc.assert(
      fc.property(shape, fc.double({ min: 0.2, max: 5, noNaN: true }), (f, k) => {
        const own = alpha(portal(f))
        near(alpha(portal(f, 1, k)) * k, own, own, 1e-6)
      }),
      { numRuns: 40 },
    ))

  it('sways about 1/(1 − 1/α) times as far, and never less than in first order', () =>
    fc.assert(
      fc.property(shape, (f) => {
        const a = alpha(portal(f))
        fc.pre(a > 1.5)
        const ratio = sway(portal(f, 2)) / sway(portal(f, 1))
        expect(ratio).toBeGreaterThan(1)
        // the first mode carries nearly all of the sway of a portal
        near(ratio, 1 / (1 - 1 / a), 1 / (1 - 1 / a), 0.05)
      }),
      { numRuns: 60 },
    ))

  it('is refused beyond its critical load, with the factor', () =>
    fc.assert(
      fc.property(shape, fc.double({ min: 1.02, max: 3, noNaN: true }), (f, over) => {
        const a = alpha(portal(f))
        expect(refusal(portal(f, 2, a * over)).kind).toBe('buckled')
      }),
      { numRuns: 40 },
    ))

  it('is in equilibrium on the bent structure: the feet carry the loads', () =>
    fc.assert(
      fc.property(shape, (f) => {
        fc.pre(alpha(portal(f)) > 1.2)
        const s = solved(portal(f, 2))
        const sum = (c: 'x' | 'y') =>
          s.dofs.list.reduce((t, d, k) => t + (d.component === c ? s.cases[0].reactions[k] : 0), 0)
        near(sum('y'), 2000 * f.down, 2000 * f.down, 1e-8)
        near(sum('x'), -1000 * f.wind, 2000 * f.down, 1e-8)
      }),
      { numRuns: 40 },
    ))
})
