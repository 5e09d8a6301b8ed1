import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  derivative,
  evaluatePolynomial,
  multiplyPolynomials,
  rootsInside,
  type Polynomial,
} from '../../src/analysis/polynomial.js'

describe('roots inside an interval', () => {
  it.each([
    [[-6, 11, -6, 1], 4, [1, 2, 3]],
    [[-2, 1], 4, [2]],
    [[1, 0, 1], 4, []],
    [[0], 4, []],
    [[-1, 0, 1], 1, []],
    [[4, -4, 1, 1e-19], 4, [2]],
  ])('%j', (p, h, roots) => expect(rootsInside(p, h).map((r) => Math.round(r * 1e9) / 1e9)).toEqual(roots))
})

/** Places in tenths, each once, so that neighbouring roots are well apart. */
const places = fc
  .uniqueArray(fc.integer({ min: -30, max: 60 }), { minLength: 1, maxLength: 5 })
  .map((all) => all.map((t) => t / 10).sort((a, b) => a - b))

const withRoots = (roots: readonly number[], scale: number): Polynomial =>
  roots.reduce<Polynomial>((p, r) => multiplyPolynomials(p, [-r, 1]), [scale])

describe('roots of any polynomial', () => {
  it('are those it was made of, whatever its size, and none beyond the interval', () =>
    fc.assert(
      fc.property(places, fc.constantFrom(1e-9, -1, 3e7), (roots, scale) => {
        const h = 4.05
        const found = rootsInside(withRoots(roots, scale), h)
        // a root at 0 is at the end of the interval, where rounding decides
        const inside = roots.filter((r) => r > 0 && r < h)
        expect(found.filter((r) => r > 1e-6)).toHaveLength(inside.length)
        inside.forEach((r, i) => expect(found.filter((r) => r > 1e-6)[i]).toBeCloseTo(r, 7))
      }),
    ))

  it('are met to the last digits: between its two neighbours the polynomial changes its sign', () =>
    fc.assert(
      fc.property(places, (roots) => {
        const p = withRoots(roots, 1)
        const rate = derivative(p)
        for (const r of rootsInside(p, 4.05)) {
          const size = p.reduce((t, a, i) => t + Math.abs(a) * r ** i, 0)
          // what rounding of the value itself leaves open
          const open = (8 * Number.EPSILON * size) / Math.abs(evaluatePolynomial(rate, r))
          expect(evaluatePolynomial(p, r - open) * evaluatePolynomial(p, r + open)).toBeLessThanOrEqual(0)
        }
      }),
    ))

  it('there are none of a polynomial that is no number, or zero but for rounding in its last term', () => {
    expect(rootsInside([NaN, 1, 2], 4)).toEqual([])
    expect(rootsInside([1, 1e-17, 1e-19], 4)).toEqual([])
  })
})
